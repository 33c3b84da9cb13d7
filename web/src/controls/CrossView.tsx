import { useMemo } from "react";
import type { Control } from "../api/types";
import { ControlBox } from "./ControlBox";
import { hand } from "./hand";
import { SliderFace } from "./SliderFace";
import { drawSlider } from "./useValue";

/** A crosspoint: a cell that fills from below with its level; the notch at its side is what the target reports. */
export function CrossView({ id, control, live }: { id: string; control: Control; live: boolean }) {
  const handlers = useMemo(() => hand(id, "step"), [id]);
  return (
    <ControlBox id={id} control={control} draw={drawSlider}>
      <SliderFace control={control} live={live} handlers={handlers} className="cross" orientation="vertical">
        <div data-travel className="cross-room">
          <div data-moved className="cross-level" />
          <div data-moved className="cross-echo" />
        </div>
        <span className="cross-words">
          <span data-label={control.label}>{control.label}</span>
          <span className="reading-out">–</span>
        </span>
      </SliderFace>
    </ControlBox>
  );
}
