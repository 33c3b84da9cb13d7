import type { WireRow } from "../api/types";

export const ANYONE = "anyone";
export const UNCLAIMED = "unknown sender";

export interface Filter {
  target: string;
  way: "both" | "out" | "in";
  /** Found in the address, the arguments, the peer or the reason of a fault; case does not count. */
  text: string;
}

export const NO_FILTER: Filter = { target: ANYONE, way: "both", text: "" };

export function passes(row: WireRow, filter: Filter): boolean {
  if (filter.way !== "both" && row.out !== (filter.way === "out")) return false;
  if (
    filter.target === UNCLAIMED
      ? row.target !== null
      : filter.target !== ANYONE && row.target !== filter.target
  )
    return false;
  const wanted = filter.text.trim().toLowerCase();
  if (!wanted) return true;
  return [
    row.peer,
    row.note,
    row.malformed?.reason,
    ...row.messages.flatMap((m) => [m.address, m.arguments]),
  ].some((text) => text?.toLowerCase().includes(wanted));
}
