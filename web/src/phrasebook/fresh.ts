import type { AnswerRule, Phrase, PhraseArgument } from "../api/types";

/** A decimal from 0 to 1, as most phrases have it. */
export const FRESH_ARGUMENT: PhraseArgument = {
  type: "FLOAT32",
  low: 0,
  high: 1,
  unit: "",
  choices: [],
  fixed: null,
  marks: [],
  reads: "",
  texts: { longest: null, characters: "UNKNOWN" },
};

/** What most targets do: they say the value back. */
export const USUAL_ANSWER: AnswerRule = {
  kind: "SAME",
  address: "",
  says: "SAME",
  given: "",
  places: [],
  tolerance: null,
  seconds: 0.5,
  finalSeconds: null,
  told: "UNKNOWN",
  words: null,
  ask: null,
};

/** A phrase to start from. */
export const freshPhrase = (address: string): Phrase => ({
  kind: "phrase",
  address,
  direction: "BOTH",
  arguments: [FRESH_ARGUMENT],
  answer: USUAL_ANSWER,
  effect: "UNKNOWN",
  meaning: "",
  maskedBy: "",
  masks: [],
  proof: { low: null, high: null, sweep: false, spacing: null, pressed: null, most: null },
});
