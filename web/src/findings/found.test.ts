import { expect, it } from "vitest";
import type { Found } from "../api/types";
import { counts, grouped, ofLine, ofNoLine } from "./found";

function found(part: Partial<Found>): Found {
  return {
    kind: "ADDRESS_UNKNOWN",
    severity: "STOPS_SHOW",
    area: "LINES",
    title: "Address not in the phrasebook",
    about: "a",
    field: "sends/0/address",
    text: "Desk has no /x",
    facts: "/x",
    cause: "desk",
    remedy: null,
    accepted: null,
    alone: false,
    inCopy: false,
    ...part,
  };
}

const ACCEPTED = { acceptance: "x", by: "Ada", note: "" };

it("a finding belongs to its line and to no other", () => {
  const all = [
    found({ field: "sends/1" }),
    found({ field: "sends/11/address" }),
    found({ field: "listens/1/target" }),
    found({ field: "label" }),
  ];
  expect(ofLine(all, "sends", 1)).toEqual([all[0]]);
  expect(ofLine(all, "sends", 11)).toEqual([all[1]]);
  expect(ofLine(all, "listens", 1)).toEqual([all[2]]);
  expect(ofNoLine(all)).toEqual([all[3]]);
});

it("what has one kind and one cause is one group, and what is accepted is another", () => {
  const groups = grouped([
    found({ about: "a" }),
    found({ about: "b", cause: "lights" }),
    found({ about: "c" }),
    found({ about: "d", accepted: ACCEPTED }),
    found({ about: "e", kind: "NO_TARGET" }),
  ]);
  expect(groups.map((group) => group.found.map((each) => each.about))).toEqual([
    ["a", "c"],
    ["b"],
    ["d"],
    ["e"],
  ]);
});

it("notes, accepted ones and copies in work are not counted", () => {
  expect(counts(found({}))).toBe(true);
  expect(counts(found({ severity: "LOOK" }))).toBe(true);
  expect(counts(found({ severity: "NOTE" }))).toBe(false);
  expect(counts(found({ accepted: ACCEPTED }))).toBe(false);
  expect(counts(found({ inCopy: true }))).toBe(false);
});
