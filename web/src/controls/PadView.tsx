import { useMemo, useRef } from "react";
import type { Control } from "../api/types";
import { hand } from "./hand";
import { Readings, Tape } from "./Tape";
import { drawSlider, useValue } from "./useValue";

/** A field with a spot; the ring is where the target says that it is. */
export function PadView({ id, control, live }: { id: string; control: Control; live: boolean }) {
  const root = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "step"), [id]);
  useValue(root, id, drawSlider);
  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
      <div
        className="control-face"
        role="slider"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "pad"}
        aria-roledescription="pad"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
        {...(live ? handlers : {})}
      >
        <div className="pad-room">
          <div data-travel className="pad">
            <div data-moved className="pad-echo" />
            <div data-moved className="pad-spot" />
          </div>
        </div>
        <Readings />
        <Tape label={control.label} />
      </div>
      <div className="holder" />
    </div>
  );
}
