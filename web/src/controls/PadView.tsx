import { useMemo } from "react";
import { ControlBox } from "./ControlBox";
import { hand } from "./hand";
import { SliderFace } from "./SliderFace";
import { Readings, Tape } from "./Tape";
import { drawSlider } from "./useValue";
import type { ViewOf } from "./view";

/** A field with a spot; the ring is where the target says that it is. */
export function PadView({ id, control, live }: ViewOf<"pad">) {
  const handlers = useMemo(() => hand(id, "step"), [id]);
  return (
    <ControlBox id={id} control={control} draw={drawSlider}>
      <SliderFace control={control} live={live} handlers={handlers} description="pad">
        <div className="pad-room">
          <div data-travel className="pad">
            <div data-moved className="pad-echo" />
            <div data-moved className="pad-spot" />
          </div>
        </div>
        <Readings />
        <Tape label={control.label} />
      </SliderFace>
    </ControlBox>
  );
}
