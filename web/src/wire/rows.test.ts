import { expect, test } from "vitest";
import type { WireFound, WireRow } from "../api/types";
import { MOST_ROWS, NO_ROWS, taken, takenOlder } from "./rows";

const row = (number: number, answer = "") => ({ number, answer }) as WireRow;
const found = (rows: WireRow[], leftOut = 0) => ({ rows, leftOut }) as WireFound;
const numbers = (rows: WireRow[]) => rows.map((each) => each.number);

test("what is new is added, and what is otherwise takes its old place", () => {
  const known = taken(NO_ROWS, found([row(1), row(2, "waiting")]));
  const now = taken(known, found([row(2, "4.0 ms"), row(3)]));
  expect(numbers(now.rows)).toEqual([1, 2, 3]);
  expect(now.rows[1]!.answer).toBe("4.0 ms");
});

test("what passes only once it was not answered stands where it belongs", () => {
  const known = taken(NO_ROWS, found([row(5), row(7)]));
  expect(numbers(taken(known, found([row(6, "no answer")])).rows)).toEqual([5, 6, 7]);
});

test("where more came than is told, the list begins anew and says that there is more", () => {
  const now = taken({ rows: [row(1)], older: false }, found([row(900), row(901)], 898));
  expect(numbers(now.rows)).toEqual([900, 901]);
  expect(now.older).toBe(true);
});

test("older ones stand before, and the newest five thousand stay", () => {
  const known = taken(NO_ROWS, found([row(400)], 3));
  expect(takenOlder(known, found([row(398), row(399)], 1))).toMatchObject({ older: true });
  const many = Array.from({ length: MOST_ROWS }, (_, i) => row(i + 1));
  const now = taken({ rows: many, older: false }, found([row(MOST_ROWS + 1)]));
  expect(now.rows).toHaveLength(MOST_ROWS);
  expect(now.rows[0]!.number).toBe(2);
  expect(now.older).toBe(true);
});
