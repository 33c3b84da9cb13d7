import { useMemo } from "react";
import type { ControlValue, Face } from "../api/types";
import { ControlBox } from "./ControlBox";
import { fitted } from "./fit";
import { hand } from "./hand";
import { Mark } from "./Mark";
import { type Drawn, echoOf, positionOf, stateWords } from "./useValue";
import type { ViewOf } from "./view";

/** A key: its rim shows what we sent, its lamp what the target answered. */
export function ButtonView({ id, control, form, live }: ViewOf<"button">) {
  const handlers = useMemo(() => hand(id, "press"), [id]);
  const latching = form.action === "LATCHING";

  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div
        className="control-face"
        role="button"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "button"}
        aria-pressed={latching ? false : undefined}
        data-latching={latching}
        data-one-shot={form.action === "ONE_SHOT"}
        {...(live ? handlers : {})}
      >
        <div data-travel className="key-cap">
          <Mark face={control.face} />
          <span className="key-label" data-label={control.label} style={fitted(control.label)}>
            {control.label || " "}
          </span>
          <span className="key-state" />
        </div>
      </div>
    </ControlBox>
  );
}

/** What a button says while it is on. */
const ON_WORDS: Record<Face["meaning"], string> = {
  NONE: "on",
  MUTE: "muted",
  SOLO: "solo",
  RECORD: "recording",
  LOCATE: "locating",
  ALL_OUT: "on",
};

function draw(drawn: Drawn, value: ControlValue): void {
  const key = drawn.part("[role=button]")!;
  const on = positionOf(value) >= 0.5;
  const echo = echoOf(value);
  drawn.data("on", String(on));
  drawn.data("lit", String(echo !== null && echo >= 0.5));
  const meant = ON_WORDS[drawn.root.dataset.meaning as Face["meaning"]] ?? "on";
  const word = ownWord(key, value) ?? (stateWords(value) || (on ? meant : "off"));
  drawn.text(".key-state", word);
  if (key.dataset.latching === "true") drawn.attribute("[role=button]", "aria-pressed", String(on));
  drawn.attribute("[role=button]", "aria-description", word);
  drawn.attribute("[role=button]", "aria-disabled", String(!value.enabled));
}

/** What a key says that stands nowhere, so nothing is believed of where it stands: that it was sent. */
function ownWord(key: HTMLElement, value: ControlValue): string | null {
  if (!value.enabled || value.open) return null;
  return key.dataset.oneShot === "true" ? (value.presses ? "sent" : "") : null;
}
