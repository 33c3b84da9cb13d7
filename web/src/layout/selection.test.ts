import { beforeEach, expect, test } from "vitest";
import { place, select, selectAfter, toggle, useSelection } from "./selection";

const ids = () => useSelection.getState().ids;

beforeEach(() => select());

test("one more, one less, and all of several at once", () => {
  select("a");
  toggle("b");
  expect(ids()).toEqual(["a", "b"]);
  toggle("a");
  expect(ids()).toEqual(["b"]);
  toggle("b", "c");
  expect(ids()).toEqual(["b", "c"]);
  toggle("b", "c");
  expect(ids()).toEqual([]);
});

test("what has come to be is selected, unless the hand went on to something else", () => {
  const before = ids();
  place("FADER");
  selectAfter(before, "new");
  expect(ids()).toEqual(["new"]);
  // taken for the next tap while this one came
  expect(useSelection.getState().placing).toBe("FADER");
  const asked = ids();
  select("other");
  selectAfter(asked, "late");
  expect(ids()).toEqual(["other"]);
});
