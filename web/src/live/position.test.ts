import { expect, it } from "vitest";
import type { TrackState } from "../api/types";
import { clock, positionAt, reckoned } from "./position";

const state = (seconds: number, more: Partial<TrackState> = {}): TrackState => ({
  track: "t",
  seconds,
  rolling: true,
  armed: true,
  heard: false,
  loop: null,
  missed: [],
  speaker: null,
  ...more,
});

it("a track goes on from where it was told to be, to its end", () => {
  const told = { state: state(10), at: 1000 };
  expect(positionAt(told, 3500)).toBe(12.5);
  expect(positionAt(told, 99_000, 60)).toBe(60);
  expect(positionAt({ state: state(10, { rolling: false }), at: 1000 }, 3500)).toBe(10);
});

it("a loop goes round", () => {
  const told = { state: state(10, { loop: { from: 9, to: 11 } }), at: 0 };
  expect(positionAt(told, 1500)).toBeCloseTo(9.5);
  expect(positionAt(told, 5500)).toBeCloseTo(9.5);
});

it("the telling that came fastest counts, and a late one hardly moves it", () => {
  let told = reckoned(undefined, state(10), 0);
  told = reckoned(told, state(10.98), 1000);
  expect(positionAt(told, 1000)).toBeGreaterThan(10.99);
  told = reckoned(told, state(12.01), 2000);
  expect(positionAt(told, 2000)).toBe(12.01);
});

it("a jump is followed at once, forwards and back", () => {
  const told = reckoned(undefined, state(10), 0);
  expect(positionAt(reckoned(told, state(10.5), 1000), 1000)).toBe(10.5);
  expect(positionAt(reckoned(told, state(40), 1000), 1000)).toBe(40);
  expect(positionAt(reckoned(told, state(3, { rolling: false }), 1000), 9000)).toBe(3);
});

it("times are written with minutes, and hours where there are any", () => {
  expect(clock(62.25)).toBe("1:02.250");
  expect(clock(59.9996)).toBe("1:00.000");
  expect(clock(3725.5, 1)).toBe("1:02:05.5");
  expect(clock(61, 0)).toBe("1:01");
});
