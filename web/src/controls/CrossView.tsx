import { useMemo, useRef } from "react";
import { ControlBox } from "./ControlBox";
import { cross } from "./cross";
import { hand } from "./hand";
import { SliderFace } from "./SliderFace";
import { useMark } from "./useMark";
import { drawSlider } from "./useValue";
import type { ViewOf } from "./view";

/** A crosspoint: a cell that fills from below with its level; the notch at its side is what the target reports. */
export function CrossView({ id, control, live }: ViewOf<"cross">) {
  const room = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "step"), [id]);
  const label = control.face.textPlace === "HIDDEN" ? "" : control.label;
  const draw = useMemo(() => cross(label), [label]);
  useMark(room, id, draw);
  return (
    <ControlBox id={id} control={control} draw={drawSlider} onCanvas>
      <SliderFace control={control} live={live} handlers={handlers} className="cross" orientation="vertical">
        <div ref={room} data-travel className="cross-room" />
      </SliderFace>
    </ControlBox>
  );
}
