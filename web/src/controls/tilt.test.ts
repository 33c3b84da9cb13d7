// @vitest-environment jsdom
import { expect, test } from "vitest";
import { turning } from "./tilt";

const at = (...positions: number[]) => positions.map((position) => ({ position, echo: null }));

test("the axis that moves most is the one that is marked, and a trembling hand marks none", () => {
  expect(turning(undefined, at(0.5, 0.5))).toBeNull();
  expect(turning(at(0.5, 0.5), at(0.501, 0.502))).toBeNull();
  expect(turning(at(0.5, 0.5), at(0.52, 0.51))).toBe(0);
  expect(turning(at(0.5, 0.5), at(0.49, 0.3))).toBe(1);
});
