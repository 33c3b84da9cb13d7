import type { Phrase, PhraseArgument } from "../api/types";

const TAGS: Record<PhraseArgument["type"], string> = {
  FLOAT32: "f",
  INT32: "i",
  FLOAT64: "d",
  INT64: "h",
  TEXT: "s",
  BOOLEAN: "T",
  COLOUR: "r",
};

export const typeTags = (phrase: Phrase) => phrase.arguments.map((a) => TAGS[a.type]).join("") || "none";

/** The values that a phrase takes, in a few words. */
export function rangeWords({ arguments: args }: Phrase): string {
  const value = args.at(-1);
  return value ? valueWords(value) : "";
}

/** The values that an argument takes, as they are written and read. */
export function valueWords(value: PhraseArgument): string {
  if (value.choices.length) return value.choices.join(" | ");
  if (value.low !== null && value.high !== null) return `${value.low} to ${value.high} ${value.unit}`.trim();
  return value.unit;
}

export const directionWords: Record<Phrase["direction"], string> = {
  OUT: "to target",
  IN: "from target",
  BOTH: "both",
};

export function answerWords({ answer, direction }: Phrase): string {
  if (direction === "IN") return "";
  const from = { SAME: "the same", OTHER: answer.address, QUERY: "when asked", NONE: "none" }[answer.kind];
  return answer.kind !== "NONE" && answer.says === "GIVEN" ? `${from} ${answer.given}` : from;
}

/** Places of arguments as people count them, from 1. */
export const placesText = (places: readonly number[]) => places.map((place) => place + 1).join(", ");

/** What {@link placesText} writes, read back; null where it is something else. */
export function placesOf(text: string): number[] | null {
  const numbers = text
    .split(/[\s,|]+/)
    .filter(Boolean)
    .map(Number);
  return numbers.every((n) => Number.isInteger(n) && n > 0) ? numbers.map((n) => n - 1) : null;
}

/** Whether a phrase has to do with what is looked for: every word of it, anywhere. */
export function isFound(phrase: Phrase, looked: string): boolean {
  const text = `${phrase.address} ${phrase.meaning} ${rangeWords(phrase)}`.toLowerCase();
  return looked
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
