/** The packets this browser has seen while it watched the Wire, oldest first. */
import { create } from "zustand";
import type { WireRow } from "../api/types";

const MAX_ROWS = 5000;

export const useWire = create<{ rows: WireRow[] }>()(() => ({ rows: [] }));

export function appendRows(known: WireRow[], fresh: WireRow[]): WireRow[] {
  const last = known.at(-1)?.number ?? 0;
  const added = fresh.filter((row) => row.number > last);
  return added.length ? [...known, ...added].slice(-MAX_ROWS) : known;
}

export function receiveWire(rows: WireRow[]): void {
  if (rows.length) useWire.setState((state) => ({ rows: appendRows(state.rows, rows) }));
}

/** After a restart of the server its numbers begin anew. */
export function forgetWire(): void {
  useWire.setState({ rows: [] });
}
