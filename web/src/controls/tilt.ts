import type { ControlValue } from "../api/types";
import { type Draw, drawSlider, type Drawn } from "./useValue";

/** What is less in one movement is the trembling of a hand. */
const TREMBLING = 0.004;

/** Which axis moved most between two values; null where none did. */
export function turning(before: ControlValue["axes"] | undefined, now: ControlValue["axes"]): number | null {
  if (!before) return null;
  let most: number | null = null;
  let way = TREMBLING;
  now.forEach(({ position }, axis) => {
    const moved = Math.abs(position - (before[axis]?.position ?? position));
    if (moved > way) {
      way = moved;
      most = axis;
    }
  });
  return most;
}

/** What a tilt shows: where each axis stands in degrees, and which of them moves. */
export const drawTilt = (degrees: number): Draw =>
  drawAxes((position) => `${Math.round((position - 0.5) * 2 * degrees)}°`);

/** What a motion shows, likewise: in metres per second squared. */
export const drawMotion = (most: number): Draw =>
  drawAxes((position) => ((position - 0.5) * 2 * most).toFixed(1));

function drawAxes(reading: (position: number) => string): Draw {
  const last = new WeakMap<Drawn, ControlValue["axes"]>();
  return (drawn, value) => {
    drawSlider(drawn, value);
    value.axes.forEach(({ position }, axis) => drawn.text(`.tilt-${axis}`, reading(position)));
    const moves = turning(last.get(drawn), value.axes);
    if (moves !== null) drawn.data("turning", String(moves));
    last.set(drawn, value.axes);
  };
}
