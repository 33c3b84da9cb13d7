import { useRef } from "react";
import type { Control, ControlValue } from "../api/types";
import { Readings } from "./Tape";
import { type Drawn, echoOf, stateWords, useValue } from "./useValue";

/** A needle with its zero in the middle; nothing to touch. */
export function NeedleView({ id, control }: { id: string; control: Control }) {
  const root = useRef<HTMLDivElement>(null);
  useValue(root, id, draw);
  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
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
          <div className="meter-label" data-label={control.label}>
            {control.label}
          </div>
        )}
      </div>
    </div>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const echo = echoOf(value) ?? 0.5;
  drawn.number("--needle", echo);
  drawn.text(".reading-out", value.echoText || "–");
  drawn.text(".reading-state", stateWords(value));
  drawn.attribute("[role=meter]", "aria-valuenow", String(Math.round(echo * 100)));
}
