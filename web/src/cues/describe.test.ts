import { expect, it } from "vitest";
import type { CueState, Held } from "../api/types";
import { describeAction, resultOf } from "./describe";

const PARTS: ReadonlyMap<string, Held> = new Map();

const fired = (...outcomes: CueState["actions"][number]["outcome"][]): CueState => ({
  number: 1,
  cue: "c",
  cueNumber: "1",
  name: "",
  by: "Ada",
  agoMs: 0,
  endsInMs: 0,
  followsInMs: null,
  actions: outcomes.map((outcome) => ({ outcome, word: "", why: null, mend: null })),
});

it("an action is told in a few words, and what is missing in it", () => {
  expect(
    describeAction(PARTS, {
      does: "say",
      delay: 0,
      target: null,
      address: "/scene",
      arguments: [{ from: "fixed", type: "INT32", text: "3" }],
    }),
  ).toBe("nobody /scene 3");
  expect(
    describeAction(PARTS, { does: "bring", delay: 0, control: null, to: [0.5], seconds: 4, curve: "EVEN" }),
  ).toBe("no control to 50 % in 4 s");
});

it("of a cue the worst counts", () => {
  expect(resultOf(fired("DONE", "ANSWERED"))).toBe("well");
  expect(resultOf(fired("DONE", "FELL_SHORT", "GOES_ON"))).toBe("fell short");
  expect(resultOf(fired("DONE", "SAID"))).toBe("goes on");
  expect(resultOf(fired("DONE", "TAKEN"))).toBe("stopped");
});
