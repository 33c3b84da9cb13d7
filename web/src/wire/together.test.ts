import { expect, test } from "vitest";
import { together } from "./together";

test("curves stand over the same times, and the last value stands until now", () => {
  const data = together({
    nowMillis: 5000,
    lines: [
      [
        { atMillis: 1000, value: 0.1 },
        { atMillis: 3000, value: 0.3 },
      ],
      [{ atMillis: 2000, value: 7 }],
      [],
    ],
  });
  expect(data).toEqual([
    [1, 2, 3, 5],
    [0.1, null, 0.3, 0.3],
    [null, 7, null, 7],
    [null, null, null, null],
  ]);
});
