import { useMemo, useRef } from "react";
import type { Control } from "../api/types";
import { hand } from "./hand";
import { Readings, Tape } from "./Tape";
import { drawSlider, useValue } from "./useValue";

interface Props {
  id: string;
  control: Control;
  live: boolean;
}

/** A bone disc with an index line; the mark on the ring around it is where the target says it stands. */
export function KnobView({ id, control, live }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "step"), [id]);
  useValue(root, id, drawSlider);
  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
      <div
        className="control-face"
        role="slider"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "knob"}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
        {...(live ? handlers : {})}
      >
        <div data-travel className="knob-room">
          <div className="knob">
            <div data-moved className="knob-index" />
            <div data-moved className="knob-echo" />
          </div>
        </div>
        <Readings />
        <Tape label={control.label} />
      </div>
      <div className="holder" />
    </div>
  );
}
