import { useMemo } from "react";
import type { ControlValue } from "../api/types";
import { ControlBox } from "./ControlBox";
import { fitted } from "./fit";
import { hand, touch } from "./hand";
import { Mark } from "./Mark";
import "./tap.css";
import { type Drawn, stateWords } from "./useValue";
import type { ViewOf } from "./view";

/** A key that is tapped in time, a lamp that shows the beat, and keys for twice the tempo and half of it. */
export function TapView({ id, control, live }: ViewOf<"tap">) {
  const handlers = useMemo(() => hand(id, "press"), [id]);
  const name = control.label || "tap";
  const key = (text: string, called: string, up: number) => (
    <button
      type="button"
      className="tap-key"
      tabIndex={live ? 0 : -1}
      aria-label={`${name}: ${called}`}
      onClick={live ? () => touch(id, "key", "STEP", { y: up }) : undefined}
    >
      {text}
    </button>
  );
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div className="control-face">
        <div
          className="tap-face"
          role="button"
          tabIndex={live ? 0 : -1}
          aria-label={name}
          {...(live ? handlers : {})}
        >
          <div data-travel className="key-cap">
            <Mark face={control.face} />
            <span className="tap-beat" aria-hidden />
            <span className="key-label" data-label={control.label} style={fitted(control.label)}>
              {control.label || " "}
            </span>
            <span className="key-state" />
          </div>
        </div>
        <div className="tap-keys">
          {key("÷ 2", "half the tempo", -1)}
          {key("× 2", "twice the tempo", 1)}
        </div>
      </div>
    </ControlBox>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const known = value.enabled && !value.open && (value.belief !== "UNSET" || value.presses > 1);
  const tempo = `${value.text} a minute`;
  drawn.text(".key-state", known ? tempo : stateWords(value) || "tap twice");
  drawn.data("beating", String(known));
  drawn.part(".tap-beat")!.style.animationDuration = `${60 / Number(value.text)}s`;
  drawn.attribute("[role=button]", "aria-description", tempo);
  drawn.attribute("[role=button]", "aria-disabled", String(!value.enabled));
}
