import { type CSSProperties, useMemo } from "react";
import { ControlBox } from "./ControlBox";
import { DetentMark } from "./DetentMark";
import { fitted } from "./fit";
import { hand } from "./hand";
import { widestOf } from "./scale";
import { SliderFace } from "./SliderFace";
import { useScale } from "./useScale";
import { drawSlider } from "./useValue";
import type { ViewOf } from "./view";

/** A ruled slot with a cap, and the mark where the target says it stands. */
export function FaderView({ id, control, form, live }: ViewOf<"fader">) {
  const handlers = useMemo(() => hand(id, "step"), [id]);
  const marks = useScale(control);
  const sideways = form.direction === "RIGHT";

  return (
    <ControlBox id={id} control={control} className={sideways ? "sideways" : ""} draw={drawSlider}>
      <SliderFace
        control={control}
        live={live}
        handlers={handlers}
        orientation={sideways ? "horizontal" : "vertical"}
      >
        <div className="readings">
          <span className="reading-out">–</span>
          <span className="reading-state" />
        </div>
        <div className="travel-room">
          <div data-travel className="travel" style={{ "--chars": widestOf(marks) } as CSSProperties}>
            <div className="slot" />
            <DetentMark at={form.holdsAt} className="detent" />
            {marks.map(({ place, text }) => (
              <span key={place} className="scale-mark" style={{ "--place": place } as CSSProperties}>
                {text}
              </span>
            ))}
            <div data-moved className="gap" />
            <div data-moved className="ride ride-position">
              <div className="cap" />
            </div>
            <div data-moved className="ride ride-echo">
              <div className="echo-mark" />
            </div>
          </div>
        </div>
        <div className="tape" data-label={control.label} style={fitted(control.label)}>
          {control.label || " "}
        </div>
      </SliderFace>
    </ControlBox>
  );
}
