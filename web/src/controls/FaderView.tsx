import { useMemo, useRef } from "react";
import type { Control } from "../api/types";
import { hand } from "./hand";
import { drawSlider, useValue } from "./useValue";

interface Props {
  id: string;
  control: Control;
  /** Whether hands move it; while building they do not. */
  live: boolean;
}

/** A ruled slot with a cap, and the mark where the target says it stands. */
export function FaderView({ id, control, live }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "step"), [id]);
  const sideways = control.form.kind === "fader" && control.form.direction === "RIGHT";
  const [low, high] = range(control);
  useValue(root, id, drawSlider);

  return (
    <div ref={root} className={`control ${sideways ? "sideways" : ""}`} data-control={id} data-belief="UNSET">
      <div
        className="control-face"
        role="slider"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "fader"}
        aria-orientation={sideways ? "horizontal" : "vertical"}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
        {...(live ? handlers : {})}
      >
        <div className="readings">
          <span className="reading-out">–</span>
          <span className="reading-state" />
        </div>
        <div className="travel-room">
          <div data-travel className="travel">
            <div className="slot" />
            {control.form.kind === "fader" && control.form.detent && <div className="detent" />}
            {[0, 0.25, 0.5, 0.75, 1].map((place) => (
              <span key={place} className="scale-mark" style={{ bottom: `${place * 100}%` }}>
                {mark(low + (high - low) * place)}
              </span>
            ))}
            <div data-moved className="gap" />
            <div data-moved className="cap" />
            <div data-moved className="echo-mark" />
          </div>
        </div>
        <div className="tape" data-label={control.label}>
          {control.label || " "}
        </div>
      </div>
      <div className="holder" />
    </div>
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

function mark(value: number): string {
  return String(Number(value.toPrecision(3)));
}
