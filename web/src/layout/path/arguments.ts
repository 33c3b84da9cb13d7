import type { ArgumentSource, ShapingStep } from "../../api/types";
import { plain, plainScale } from "../../controls/scale";

export type ValueSource = Extract<ArgumentSource, { from: "value" }>;

/** What a new argument is: the value as a decimal from 0 to 1, as most targets take it. */
export const PLAIN_VALUE: ValueSource = {
  from: "value",
  type: "FLOAT32",
  shaping: [plain(0, 1)],
  axis: 0,
};

/** One of the arguments made otherwise, from what it is when the edit's turn comes: two fields may be changed faster than an edit comes back. */
export function changed(
  sources: ArgumentSource[],
  index: number,
  update: (now: ArgumentSource) => ArgumentSource,
): ArgumentSource[] {
  return sources.map((known, i) => (i === index ? update(known) : known));
}

/** The same things with one of them at another place. */
export function moved<T>(all: readonly T[], from: number, to: number): T[] {
  const rest = all.filter((_, i) => i !== from);
  return [...rest.slice(0, to), all[from]!, ...rest.slice(to)];
}

/** A shaping in as few characters as say what it is. */
export function briefly(shaping: readonly ShapingStep[]): string {
  const straight = plainScale(shaping);
  if (straight) return `${straight.low} … ${straight.high}`;
  return shaping.length === 0 ? "as it is" : shaping.length === 1 ? "1 step" : `${shaping.length} steps`;
}
