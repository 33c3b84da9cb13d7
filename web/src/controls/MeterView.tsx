import { useMemo, useRef } from "react";
import type { ControlValue } from "../api/types";
import { ControlBox } from "./ControlBox";
import { fitted } from "./fit";
import { meter } from "./meter";
import { useMark } from "./useMark";
import { type Drawn, echoOf } from "./useValue";
import type { ViewOf } from "./view";

/** A column that its target fills; the line above it is the highest level of late. Nothing to touch. */
export function MeterView({ id, control }: ViewOf<"meter">) {
  const column = useRef<HTMLDivElement>(null);
  const draw = useMemo(() => meter(), []);
  useMark(column, id, draw);
  return (
    <ControlBox id={id} control={control} draw={say} onCanvas>
      <div
        className="control-face"
        role="meter"
        aria-label={control.label || "meter"}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
      >
        <div ref={column} className="meter" />
        {control.label && (
          <div className="meter-label" style={fitted(control.label)}>
            {control.label}
          </div>
        )}
      </div>
    </ControlBox>
  );
}

function say(drawn: Drawn, value: ControlValue): void {
  drawn.attribute("[role=meter]", "aria-valuenow", String(Math.round((echoOf(value) ?? 0) * 100)));
}
