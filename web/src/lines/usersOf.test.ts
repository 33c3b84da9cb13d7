import { expect, test } from "vitest";
import type { Held } from "../api/types";
import { usersOf } from "./usersOf";

const named = { from: "named", value: "piece" };
const part = (id: string, body: object) =>
  [id, { part: { id, parent: null, order: 0, body }, version: 1 } as unknown as Held] as const;

test("whatever sends a named value is told: controls, cues, songs and forwards", () => {
  const parts = new Map([
    part("piece", { kind: "value", name: "Piece", text: "1" }),
    part("key", {
      kind: "control",
      label: "Play",
      form: { form: "button" },
      sends: [{ arguments: [named] }],
    }),
    part("cue", { kind: "cue", number: "3", name: "Gulls", actions: [{ does: "say", arguments: [named] }] }),
    part("song", { kind: "song", name: "Tide", ready: [], air: [{ does: "say", arguments: [named] }] }),
    part("forward", { kind: "forward", name: "On", says: [named] }),
    part("other", {
      kind: "cue",
      number: "4",
      name: "",
      actions: [{ arguments: [{ ...named, value: "other" }] }],
    }),
  ]);
  expect(usersOf(parts, "piece")).toEqual([
    { id: "key", name: "Play" },
    { id: "cue", name: "Cue 3 Gulls" },
    { id: "song", name: "Song Tide" },
    { id: "forward", name: "Forward On" },
  ]);
});
