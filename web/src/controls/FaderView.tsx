import { type CSSProperties, useMemo } from "react";
import type { Control } from "../api/types";
import { ControlBox } from "./ControlBox";
import { hand } from "./hand";
import { SliderFace } from "./SliderFace";
import { drawSlider } from "./useValue";

interface Props {
  id: string;
  control: Control;
  /** Whether hands move it; while building they do not. */
  live: boolean;
}

/** A ruled slot with a cap, and the mark where the target says it stands. */
export function FaderView({ id, control, live }: Props) {
  const handlers = useMemo(() => hand(id, "step"), [id]);
  const sideways = control.form.kind === "fader" && control.form.direction === "RIGHT";

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
          <div data-travel className="travel">
            <div className="slot" />
            {control.form.kind === "fader" && control.form.detent && <div className="detent" />}
            {scale(control).map(({ place, text }) => (
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
        <div className="tape" data-label={control.label}>
          {control.label || " "}
        </div>
      </SliderFace>
    </ControlBox>
  );
}

/** The ends of the scale in the terms of the target. */
export function range(control: Control): [number, number] {
  for (const send of control.sends) {
    for (const source of send.arguments) if (source.from === "value") return [source.low, source.high];
  }
  const listen = control.listens[0];
  return listen ? [listen.low, listen.high] : [0, 1];
}

/** The marks beside the slot: those that it has, or five at even distances. */
function scale(control: Control): { place: number; text: string }[] {
  const [low, high] = range(control);
  const own = control.form.kind === "fader" ? control.form.marks : [];
  return own.length
    ? own
        .map(({ value, text }) => ({ place: (value - low) / (high - low), text }))
        .filter(({ place }) => place >= 0 && place <= 1)
    : [0, 0.25, 0.5, 0.75, 1].map((place) => ({
        place,
        text: String(Number((low + (high - low) * place).toPrecision(3))),
      }));
}
