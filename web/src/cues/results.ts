/** What became of a cue when it was fired last, in a word. */
import type { CueListState, CueState } from "../api/types";
import { type Result, resultOf } from "./describe";

export const RESULTS: Record<Result, { text: string; look: string }> = {
  waits: { text: "waits", look: "text-quiet" },
  "goes on": { text: "goes on", look: "text-select" },
  well: { text: "✓ done", look: "text-in" },
  "fell short": { text: "✗ fell short", look: "text-fault" },
  stopped: { text: "■ stopped", look: "text-caution" },
};

/** The last time that each cue was fired. */
export function latestOf(state: CueListState | undefined): Map<string, CueState> {
  const latest = new Map<string, CueState>();
  for (const fired of [...(state?.running ?? []), ...(state?.over ?? [])]) {
    const known = latest.get(fired.cue);
    if (!known || known.number < fired.number) latest.set(fired.cue, fired);
  }
  return latest;
}

/** The word for one cue; undefined where it was not fired. */
export function lastTime(state: CueListState | undefined, cue: string) {
  const fired = latestOf(state).get(cue);
  return fired && RESULTS[resultOf(fired)];
}
