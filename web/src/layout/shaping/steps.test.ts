import { expect, test } from "vitest";
import type { ShapingStep } from "../../api/types";
import { nth, placeOf, readPairs } from "./steps";

const chain: ShapingStep[] = [
  { step: "flip" },
  { step: "smooth", seconds: 1 },
  { step: "flip" },
  { step: "round", to: 1 },
];

test("a step is known again when others come or go", () => {
  expect(nth(chain, 2)).toBe(1);
  expect(placeOf(chain, "flip", 1)).toBe(2);
  expect(placeOf(chain.slice(1), "smooth", 0)).toBe(0);
  expect(placeOf(chain.slice(0, 1), "smooth", 0)).toBe(-1);
});

test("pairs are read as they are typed, and what is none is refused", () => {
  expect(readPairs("0 -90; 1 10", /[\s,]+/)).toEqual([
    ["0", "-90"],
    ["1", "10"],
  ]);
  expect(readPairs("0 = 4;1=1;", /=/)).toEqual([
    ["0", "4"],
    ["1", "1"],
  ]);
  expect(readPairs("0 1 2", /\s+/)).toBeNull();
  expect(readPairs("= 1", /=/)).toBeNull();
});
