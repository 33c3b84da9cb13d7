/** Where a track is between two tellings: screens and loudspeakers go on by themselves. */
import type { TrackState } from "../api/types";

/** How a track stands, as this browser reckons it. */
export interface ToldTrack {
  state: TrackState;
  /** By performance.now(), when the track was at `state.seconds`. */
  at: number;
}

/** A telling is late by what its way took, so the one that was fastest counts; one that is off by more is a jump. */
const JUMP_S = 0.06;
/** Clocks drift apart by less than that from one telling to the next, a second later. */
const DRIFT = 0.02;

/** Seconds from the start of the track. */
export function positionAt(told: ToldTrack, now: number, length = Infinity): number {
  const { state, at } = told;
  if (!state.rolling) return state.seconds;
  const here = state.seconds + Math.max(0, now - at) / 1000;
  if (state.loop && here >= state.loop.to) {
    const { from, to } = state.loop;
    return from + ((here - to) % (to - from));
  }
  return Math.min(length, here);
}

/** What is known of a track after one more telling. */
export function reckoned(before: ToldTrack | undefined, state: TrackState, now: number): ToldTrack {
  if (!before || !before.state.rolling || !state.rolling || state.loop) return { state, at: now };
  const expected = positionAt(before, now);
  const late = expected - state.seconds;
  if (late <= 0 || late > JUMP_S) return { state, at: now };
  return { state: { ...state, seconds: expected - late * DRIFT }, at: now };
}

/** Minutes, seconds and milliseconds, with hours where there are any. */
export function clock(seconds: number, digits = 3): string {
  const units = Math.round(seconds * 10 ** digits);
  const whole = Math.floor(units / 10 ** digits);
  const rest = digits > 0 ? `.${String(units % 10 ** digits).padStart(digits, "0")}` : "";
  const two = (n: number) => String(n).padStart(2, "0");
  const minutes = Math.floor(whole / 60);
  return whole < 3600
    ? `${minutes}:${two(whole % 60)}${rest}`
    : `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(whole % 60)}${rest}`;
}
