import type { ControlValue } from "../api/types";
import { Readings } from "./Tape";
import { type Drawn, echoOf, stateWords } from "./useValue";
import { ControlBox } from "./ControlBox";
import { fitted } from "./fit";
import type { ViewOf } from "./view";

/** A needle with its zero in the middle; nothing to touch. */
export function NeedleView({ id, control }: ViewOf<"needle">) {
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div
        className="control-face"
        role="meter"
        aria-label={control.label || "needle"}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={50}
      >
        <div className="needle-room">
          <div className="needle-arc" />
          <div data-moved className="needle" />
        </div>
        <Readings />
        {control.label && (
          <div className="meter-label" data-label={control.label} style={fitted(control.label)}>
            {control.label}
          </div>
        )}
      </div>
    </ControlBox>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const echo = echoOf(value) ?? 0.5;
  drawn.number("--needle", echo);
  drawn.text(".reading-out", value.echoText || "–");
  drawn.text(".reading-state", stateWords(value));
  drawn.attribute("[role=meter]", "aria-valuenow", String(Math.round(echo * 100)));
}
