import { useMemo, useRef } from "react";
import type { Control } from "../api/types";
import { hand } from "./hand";
import { drawSlider, useValue } from "./useValue";

/** A crosspoint: a cell that fills from below with its level; the notch at its side is what the target reports. */
export function CrossView({ id, control, live }: { id: string; control: Control; live: boolean }) {
  const root = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "step"), [id]);
  useValue(root, id, drawSlider);
  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
      <div
        className="control-face cross"
        role="slider"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "crosspoint"}
        aria-orientation="vertical"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
        {...(live ? handlers : {})}
      >
        <div data-travel className="cross-room">
          <div data-moved className="cross-level" />
          <div data-moved className="cross-echo" />
        </div>
        <span className="cross-words">
          <span data-label={control.label}>{control.label}</span>
          <span className="reading-out">–</span>
        </span>
      </div>
      <div className="holder" />
    </div>
  );
}
