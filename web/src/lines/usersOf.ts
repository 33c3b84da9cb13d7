/** Which parts send a named value. */
import type { Held } from "../api/types";
import { calledCue } from "../cues/describe";
import { nameOf } from "../live/laid";

export interface User {
  id: string;
  name: string;
}

/** Controls, cues, songs and forwards one of whose messages says this value. */
export function usersOf(parts: ReadonlyMap<string, Held>, value: string): User[] {
  const found: User[] = [];
  for (const { part } of parts.values()) {
    const name = named(part.body);
    if (name !== null && says(part.body, value)) found.push({ id: part.id, name });
  }
  return found;
}

function named(body: Held["part"]["body"]): string | null {
  switch (body.kind) {
    case "control":
      return nameOf(body);
    case "cue":
      return `Cue ${calledCue(body)}`;
    case "song":
      return `Song ${body.name}`;
    case "forward":
      return `Forward ${body.name}`;
    default:
      return null;
  }
}

/** Wherever in a part an argument stands. */
function says(within: unknown, value: string): boolean {
  if (typeof within !== "object" || within === null) return false;
  if ("from" in within && within.from === "named" && "value" in within && within.value === value) return true;
  return Object.values(within).some((each) => says(each, value));
}
