import { expect, test } from "vitest";
import type { WireRow } from "../api/types";
import { appendRows } from "./wire";

const row = (number: number) => ({ number }) as WireRow;

test("rows that are known already are not added twice", () => {
  expect(appendRows([row(1), row(2)], [row(2), row(3)]).map((r) => r.number)).toEqual([1, 2, 3]);
});

test("the newest five thousand stay", () => {
  const many = Array.from({ length: 5001 }, (_, i) => row(i + 1));
  const kept = appendRows([], many);
  expect(kept).toHaveLength(5000);
  expect(kept[0]!.number).toBe(2);
});
