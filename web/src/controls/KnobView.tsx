import { useMemo } from "react";
import { ControlBox } from "./ControlBox";
import { DetentMark } from "./DetentMark";
import { hand } from "./hand";
import { SliderFace } from "./SliderFace";
import { Readings, Tape } from "./Tape";
import { drawSlider } from "./useValue";
import type { ViewOf } from "./view";

/** How far a finger goes for the whole turn, at least. */
const TURN_PX = 160;

/** A bone disc with an index line; the mark on the ring around it is where the target says it stands. */
export function KnobView({ id, control, form, live }: ViewOf<"knob">) {
  const handlers = useMemo(() => hand(id, "step"), [id]);
  return (
    <ControlBox id={id} control={control} draw={drawSlider}>
      <SliderFace control={control} live={live} handlers={handlers}>
        <div data-travel={TURN_PX} className="knob-room">
          <div className="knob">
            <DetentMark at={form.holdsAt} className="knob-detent" />
            <div data-moved className="knob-index" />
            <div data-moved className="knob-echo" />
          </div>
        </div>
        <Readings />
        <Tape label={control.label} />
      </SliderFace>
    </ControlBox>
  );
}
