/** The shelf of phrases beside the page: what was taken from it, and how many of it are wanted. */
import { create } from "zustand";
import { arrange } from "../requests/edits";
import { read } from "../requests/read";
import type { Arrangement, Cell, PhraseFamily, Problem } from "../api/types";
import { partOf, partsOf, useShow } from "../live/show";
import { selectAfter, useSelection } from "./selection";

interface Shelf {
  tab: "Phrases" | "Controls" | "Learn";
  /** Whose phrases are shown; empty for the first target that has some. */
  target: string;
  /** The phrases that are taken, in the order in which they were. */
  taken: readonly string[];
  first: number;
  count: number;
  manner: Manner;
  /** How many a bank shows at once. */
  window: number;
}

export type Manner = Extract<Arrangement, { what: "place" }>["manner"];

export const useShelf = create<Shelf>()(() => ({
  tab: "Phrases",
  target: "",
  taken: [],
  first: 1,
  count: 1,
  manner: "TRAYS",
  window: 8,
}));

export const putBack = () => useShelf.setState({ taken: [], first: 1, count: 1 });

/** Takes these phrases, of which there can be so many. */
export function take(taken: readonly string[], most: number): void {
  useSelection.setState({ placing: null });
  useShelf.setState({ taken, first: 1, count: Math.min(8, most) });
}

/** The target whose phrases are on the shelf. */
export function shelfTarget(chosen: string, parts: ReturnType<typeof useShow.getState>["parts"]) {
  const speaking = partsOf(parts, "target").filter((t) => t.part.body.phrasebook !== null);
  return speaking.find((t) => t.part.id === chosen) ?? speaking[0];
}

/**
 * Places what is taken, at a cell or where there is room, and selects it.
 *
 * @param page null for a new page
 * @returns the page it lies on, where it was placed
 */
export async function placeTaken(
  page: string | null,
  at: Cell | null,
): Promise<{ page: string | null; problems: Problem[] }> {
  const { target: chosen, taken, first, count, manner, window } = useShelf.getState();
  const before = useShow.getState().parts;
  const selected = useSelection.getState().ids;
  const target = shelfTarget(chosen, before);
  if (!target || taken.length === 0) return { page: null, problems: [] };
  // put down now and not when the server has answered, for the hand may have taken others by then
  putBack();
  const problems = await arrange({
    what: "place",
    page,
    target: target.part.id,
    phrases: [...taken],
    first,
    count,
    at,
    // a single control needs no tray around it
    manner: taken.length === 1 && manner === "TRAYS" ? "LOOSE" : manner,
    window,
  });
  if (problems.length) {
    if (useShelf.getState().taken.length === 0) useShelf.setState({ taken, first, count });
    return { page: null, problems };
  }
  const { parts } = useShow.getState();
  const fresh = [...parts.values()].filter(({ part }) => !before.has(part.id));
  const laid = fresh.filter(
    ({ part: { body, parent } }) =>
      body.kind === "tray" || (body.kind === "control" && partOf(parts, "page", parent) !== undefined),
  );
  selectAfter(selected, ...laid.map((held) => held.part.id));
  return { page: laid[0]?.part.parent ?? page, problems };
}

/** What can be placed for a target, as the server reads its phrasebook. */
export const familiesOf = (target: string) => read<PhraseFamily[]>(`targets/${target}/families`);
