import type { WireRow } from "../api/types";

/** What Imperan does by itself. */
const ITSELF: Partial<Record<WireRow["origin"], string>> = {
  KEEP_ALIVE: "keep-alive",
  QUESTION: "question",
  EDIT: "after an edit",
};

/** What a person does that is no touch of a control. */
const BY_HAND: Partial<Record<WireRow["origin"], string>> = {
  TEST: "test",
  START_LIST: "start list",
  REST: "to rest",
  FORWARD: "forward",
};

/** Who is behind a packet that left, in a few words. */
export function byWhom({ actor, origin }: Pick<WireRow, "actor" | "origin">): string {
  return ITSELF[origin] ?? (BY_HAND[origin] ? `${actor}, ${BY_HAND[origin]}` : actor);
}
