import { expect, test } from "vitest";
import type { Phrase, PhraseArgument } from "../api/types";
import { answerWords, isFound, rangeWords, typeTags } from "./words";

const value: PhraseArgument = {
  type: "FLOAT32",
  low: 0,
  high: 1,
  unit: "dB",
  choices: [],
  fixed: null,
  marks: [],
};
const phrase: Phrase = {
  kind: "phrase",
  address: "/in/<ch:1..12>/level",
  direction: "BOTH",
  arguments: [{ ...value, type: "INT32", low: null, high: null, unit: "", fixed: "3" }, value],
  answer: { kind: "OTHER", address: "/in/<ch:1..12>/now", tolerance: 0.01, seconds: 0.5, words: null },
  meaning: "Level of an input",
  maskedBy: "",
};

test("a phrase is told in a few words", () => {
  expect(typeTags(phrase)).toBe("if");
  expect(typeTags({ ...phrase, arguments: [] })).toBe("none");
  expect(rangeWords(phrase)).toBe("0 to 1 dB");
  expect(rangeWords({ ...phrase, arguments: [{ ...value, choices: ["in", "out"] }] })).toBe("in | out");
  expect(answerWords(phrase)).toBe("/in/<ch:1..12>/now");
  expect(answerWords({ ...phrase, direction: "IN" })).toBe("");
});

test("every word that is looked for has to be there", () => {
  expect(isFound(phrase, "level input")).toBe(true);
  expect(isFound(phrase, "level mute")).toBe(false);
  expect(isFound(phrase, "")).toBe(true);
});
