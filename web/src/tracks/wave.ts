/** Drawing a stretch of a track: its wave, its beats, and how times and places answer each other. */
import type { BeatGrid, SoundWave } from "../api/types";

/** What of a track is on the screen, in seconds. */
export interface View {
  from: number;
  to: number;
}

/** From ten milliseconds a screen to all of it. */
export const LEAST_VIEW_S = 0.01;

export const placeOf = (view: View, seconds: number, width: number) =>
  ((seconds - view.from) / (view.to - view.from)) * width;

export const timeAt = (view: View, x: number, width: number) =>
  view.from + (x / Math.max(1, width)) * (view.to - view.from);

/** A view that is nearer or farther, around a time that stays where it is. */
export function zoomed(view: View, factor: number, around: number, length: number): View {
  const span = Math.max(LEAST_VIEW_S, Math.min(length, (view.to - view.from) * factor));
  const share = (around - view.from) / (view.to - view.from);
  return within({ from: around - share * span, to: around + (1 - share) * span }, length);
}

/** The same span, pushed onto the track. */
export function within(view: View, length: number): View {
  const span = Math.min(length, view.to - view.from);
  const from = Math.max(0, Math.min(length - span, view.from));
  return { from, to: from + span };
}

/** The view that shows a time, no nearer and no farther: the next screen where it has left this one. */
export function following(view: View, seconds: number, length: number): View {
  const span = view.to - view.from;
  return seconds >= view.from && seconds <= view.to
    ? view
    : within({ from: seconds - span * 0.1, to: seconds + span * 0.9 }, length);
}

const STEPS = [
  0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600,
];
const LEAST_PX = 90;

/** Round times to write along a view, and how many digits they need behind the dot. */
export function ticks(view: View, width: number): { times: number[]; digits: number } {
  const each = ((view.to - view.from) / Math.max(1, width)) * LEAST_PX;
  const step = STEPS.find((s) => s >= each) ?? 7200;
  const times: number[] = [];
  for (let i = Math.ceil(view.from / step); i * step <= view.to && times.length < 60; i++)
    times.push(i * step);
  return { times, digits: step >= 1 ? 0 : step >= 0.1 ? 1 : step >= 0.01 ? 2 : 3 };
}

const LEAST_BEAT_PX = 5;

/** Draws beats and wave; colours come from the look of the page. */
export function paint(
  canvas: HTMLCanvasElement,
  view: View,
  wave: SoundWave | null,
  beats: BeatGrid | null,
): void {
  const ratio = devicePixelRatio || 1;
  const width = canvas.clientWidth;
  const height = canvas.clientHeight;
  canvas.width = Math.round(width * ratio);
  canvas.height = Math.round(height * ratio);
  const context = canvas.getContext("2d");
  if (!context) return;
  context.scale(ratio, ratio);
  const look = getComputedStyle(canvas);
  if (beats) {
    const beat = 60 / beats.beatsPerMinute;
    if ((beat / (view.to - view.from)) * width >= LEAST_BEAT_PX) {
      context.fillStyle = look.getPropertyValue("--color-rule");
      for (let i = Math.max(0, Math.ceil((view.from - beats.firstBeat) / beat)); ; i++) {
        const at = beats.firstBeat + i * beat;
        if (at > view.to) break;
        context.fillRect(Math.round(placeOf(view, at, width)), 0, i % 4 === 0 ? 2 : 1, height);
      }
    }
  }
  context.fillStyle = look.getPropertyValue("--color-in");
  const middle = height / 2;
  if (!wave) {
    context.globalAlpha = 0.35;
    context.fillRect(0, middle, width, 1);
    return;
  }
  for (let i = 0; i < wave.low.length; i++) {
    const top = middle - (wave.high[i]! / 128) * middle;
    const bottom = middle - (wave.low[i]! / 128) * middle;
    context.fillRect(
      (i * width) / wave.low.length,
      top,
      Math.max(1, width / wave.low.length),
      Math.max(1, bottom - top),
    );
  }
}
