/** What is selected in Build, and which kind of control the next tap places. Selecting sends nothing. */
import { create } from "zustand";
import type { ControlKind } from "../api/types";

interface Selection {
  /** In the order in which they were selected. */
  ids: readonly string[];
  placing: ControlKind | null;
  /** What has just come to be and gets the focus; null where nothing did. */
  fresh: string | null;
}

export const useSelection = create<Selection>()(() => ({ ids: [], placing: null, fresh: null }));

export const select = (...ids: string[]) => useSelection.setState({ ids, placing: null, fresh: null });

/**
 * Selects what has just come to be and goes to it, unless the hand selected something else while it came.
 * What the hand took to place next stays taken.
 */
export function selectAfter(before: readonly string[], ...ids: string[]): void {
  if (useSelection.getState().ids !== before) return;
  useSelection.setState({ ids, fresh: ids[0] ?? null });
}

/** Takes controls into the selection, or out of it where all are in it. */
export function toggle(...toggled: string[]): void {
  const { ids } = useSelection.getState();
  const rest = ids.filter((id) => !toggled.includes(id));
  const allIn = toggled.every((id) => ids.includes(id));
  select(...(allIn ? rest : [...rest, ...toggled]));
}

export const place = (placing: Selection["placing"]) => useSelection.setState({ placing });
