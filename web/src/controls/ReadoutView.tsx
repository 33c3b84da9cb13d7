import { useRef } from "react";
import type { Control, ControlValue } from "../api/types";
import { type Drawn, useValue } from "./useValue";

/** What the target last said, large; nothing to touch. */
export function ReadoutView({ id, control }: { id: string; control: Control }) {
  const root = useRef<HTMLDivElement>(null);
  useValue(root, id, draw);
  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
      <div
        className="control-face justify-center"
        role="status"
        aria-live="off"
        aria-label={control.label || "readout"}
      >
        <span className="readout-said">–</span>
        {control.label && <span className="reading-state text-center">{control.label}</span>}
      </div>
    </div>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const stale = value.belief === "STALE" ? " (stale)" : "";
  drawn.text(".readout-said", (value.echoText || "–") + stale);
}
