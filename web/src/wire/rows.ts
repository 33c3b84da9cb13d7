/** The rows of a list that is asked for again and again. */
import type { WireFound, WireRow } from "../api/types";

/** More rows than anybody scrolls through; older ones are asked for again. */
export const MOST_ROWS = 5000;

export interface Rows {
  /** Oldest first. */
  rows: WireRow[];
  /** Whether there are older ones that pass. */
  older: boolean;
}

export const NO_ROWS: Rows = { rows: [], older: false };

/** Takes in what is new or otherwise. Where too much came to be told, the list begins anew with the newest. */
export function taken(known: Rows, found: WireFound): Rows {
  if (known.rows.length === 0 || found.leftOut > 0) return { rows: found.rows, older: found.leftOut > 0 };
  if (found.rows.length === 0) return known;
  const all = new Map(known.rows.map((row) => [row.number, row]));
  for (const row of found.rows) all.set(row.number, row);
  // what was not answered passes a filter later than what came after it
  const rows = [...all.values()].sort((a, b) => a.number - b.number);
  return { rows: rows.slice(-MOST_ROWS), older: known.older || rows.length > MOST_ROWS };
}

/** Takes in what is older. */
export const takenOlder = (known: Rows, found: WireFound): Rows => ({
  ...known,
  rows: [...found.rows, ...known.rows],
  older: found.leftOut > 0,
});
