import { expect, test } from "vitest";
import type { WireRow } from "../api/types";
import { NO_FILTER, passes, UNCLAIMED } from "./filter";

const row = {
  out: true,
  target: "desk",
  peer: "127.0.0.1:7101",
  note: "",
  malformed: null,
  messages: [{ address: "/bellows/main/Level", typeTags: ",f", arguments: "0.5" }],
} as unknown as WireRow;

test.each([
  [{}, true],
  [{ way: "out" as const }, true],
  [{ way: "in" as const }, false],
  [{ target: "desk" }, true],
  [{ target: "lights" }, false],
  [{ target: UNCLAIMED }, false],
  [{ text: "level" }, true],
  [{ text: " 0.5 " }, true],
  [{ text: ":7101" }, true],
  [{ text: "mute" }, false],
])("a filter of %o lets the row pass: %s", (filter, expected) => {
  expect(passes(row, { ...NO_FILTER, ...filter })).toBe(expected);
});

test("a fault is found by its reason, and a stranger as unclaimed", () => {
  const fault = {
    ...row,
    target: null,
    messages: [],
    malformed: { offset: 3, reason: "The size is odd" },
  } as WireRow;
  expect(passes(fault, { ...NO_FILTER, text: "odd", target: UNCLAIMED })).toBe(true);
});
