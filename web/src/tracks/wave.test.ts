import { expect, it } from "vitest";
import { following, placeOf, ticks, timeAt, within, zoomed } from "./wave";

const view = { from: 10, to: 20 };

it("a place answers a time, and the other way round", () => {
  expect(placeOf(view, 12.5, 400)).toBe(100);
  expect(timeAt(view, 100, 400)).toBe(12.5);
});

it("what is pointed at stays where it is", () => {
  const near = zoomed(view, 0.5, 12.5, 90);
  expect(placeOf(near, 12.5, 400)).toBe(100);
  expect(near.to - near.from).toBe(5);
  expect(zoomed(view, 100, 12.5, 90)).toEqual({ from: 0, to: 90 });
  const nearest = zoomed(view, 1e-9, 12.5, 90);
  expect(nearest.to - nearest.from).toBeCloseTo(0.01);
});

it("a view stays on its track", () => {
  expect(within({ from: -5, to: 5 }, 90)).toEqual({ from: 0, to: 10 });
  expect(within({ from: 85, to: 95 }, 90)).toEqual({ from: 80, to: 90 });
});

it("what plays out of sight is followed a screen at a time", () => {
  expect(following(view, 15, 90)).toBe(view);
  expect(following(view, 20.5, 90)).toEqual({ from: 19.5, to: 29.5 });
});

it("round times are written as far apart as they can be read", () => {
  expect(ticks({ from: 0, to: 90 }, 900)).toEqual({
    times: [0, 10, 20, 30, 40, 50, 60, 70, 80, 90],
    digits: 0,
  });
  expect(ticks({ from: 1, to: 1.01 }, 900).digits).toBe(3);
});
