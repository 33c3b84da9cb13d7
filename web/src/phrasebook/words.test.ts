import { expect, test } from "vitest";
import type { Phrase, PhraseArgument } from "../api/types";
import { FRESH_ARGUMENT, freshPhrase, USUAL_ANSWER } from "./fresh";
import { answerWords, isFound, placesOf, placesText, rangeWords, typeTags } from "./words";

const value: PhraseArgument = { ...FRESH_ARGUMENT, unit: "dB" };
const phrase: Phrase = {
  ...freshPhrase("/in/<ch:1..12>/level"),
  arguments: [{ ...value, type: "INT32", low: null, high: null, unit: "", fixed: "3" }, value],
  answer: { ...USUAL_ANSWER, kind: "OTHER", address: "/in/<ch:1..12>/now" },
  meaning: "Level of an input",
};

test("a phrase is told in a few words", () => {
  expect(typeTags(phrase)).toBe("if");
  expect(typeTags({ ...phrase, arguments: [] })).toBe("none");
  expect(rangeWords(phrase)).toBe("0 to 1 dB");
  expect(rangeWords({ ...phrase, arguments: [{ ...value, choices: ["in", "out"] }] })).toBe("in | out");
  expect(answerWords(phrase)).toBe("/in/<ch:1..12>/now");
  expect(answerWords({ ...phrase, direction: "IN" })).toBe("");
  expect(answerWords({ ...phrase, answer: { ...phrase.answer, says: "GIVEN", given: "playing" } })).toBe(
    "/in/<ch:1..12>/now playing",
  );
});

test("every word that is looked for has to be there", () => {
  expect(isFound(phrase, "level input")).toBe(true);
  expect(isFound(phrase, "level mute")).toBe(false);
  expect(isFound(phrase, "")).toBe(true);
});

test("places of arguments are counted from 1", () => {
  expect(placesText([1, 2])).toBe("2, 3");
  expect(placesOf("2, 3")).toEqual([1, 2]);
  expect(placesOf("")).toEqual([]);
  expect(placesOf("0")).toBeNull();
  expect(placesOf("second")).toBeNull();
});
