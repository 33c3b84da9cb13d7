import { useMemo } from "react";
import { ControlBox } from "./ControlBox";
import { hand } from "./hand";
import { SliderFace } from "./SliderFace";
import { Tape } from "./Tape";
import { drawSlider } from "./useValue";
import type { ViewOf } from "./view";

/** A wheel without ends: what counts are its steps. */
export function WheelView({ id, control, form, live }: ViewOf<"wheel">) {
  const handlers = useMemo(() => hand(id, "step", 1), [id]);
  return (
    <ControlBox id={id} control={control} draw={drawSlider}>
      <SliderFace control={control} live={live} handlers={handlers} description="endless wheel">
        <div data-travel className="wheel-room">
          <div data-moved className="wheel" style={{ ["--steps" as string]: form.steps }}>
            <div className="wheel-mark" />
          </div>
        </div>
        <Tape label={control.label} />
      </SliderFace>
    </ControlBox>
  );
}
