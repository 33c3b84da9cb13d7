import { useCallback } from "react";
import type { ControlValue } from "../api/types";
import { type Drawn, echoOf, stateWords } from "./useValue";
import { ControlBox } from "./ControlBox";
import { fitted } from "./fit";
import type { ViewOf } from "./view";

/** Lit as its target says, with the word for it; nothing to touch. */
export function LampView({ id, control, form }: ViewOf<"lamp">) {
  const { states } = form;
  const draw = useCallback(
    (drawn: Drawn, value: ControlValue) => {
      const echo = echoOf(value);
      const state = states[Math.round((echo ?? 0) * Math.max(0, states.length - 1))];
      const lit = echo !== null && echo >= 0.5;
      drawn.data("look", echo === null ? "DARK" : (state?.look ?? (lit ? "LIT" : "DARK")));
      const word = state ? state.word || state.text : lit ? "on" : "off";
      drawn.text(".key-state", stateWords(value) || word);
    },
    [states],
  );
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div
        className="control-face lamp-face"
        role="status"
        aria-live="off"
        aria-label={control.label || "lamp"}
      >
        <span className="lamp" />
        <span className="lamp-label" data-label={control.label} style={fitted(control.label)}>
          {control.label}
        </span>
        <span className="key-state pr-1.5" />
      </div>
    </ControlBox>
  );
}
