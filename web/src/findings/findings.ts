/** What the checks found in the show, as the server tells it: read whole once, then what changed. */
import { useEffect } from "react";
import { create } from "zustand";
import type { Found } from "../api/types";
import { useShow } from "../live/show";
import { findingsSince } from "../requests/findings";
import { worstFirst } from "./found";

interface Findings {
  showId: string;
  /** Of the findings that are known; 0 before there are any. */
  number: number;
  byPart: ReadonlyMap<string, Found[]>;
  /** All of them, the worst first, accepted ones last. */
  all: Found[];
}

const NOTHING: Findings = { showId: "", number: 0, byPart: new Map(), all: [] };

export const useFound = create<Findings>()(() => NOTHING);

const RETRY_MS = 1000;

/** Reads what changed, one question at a time. */
let asking: Promise<void> = Promise.resolve();

function follow(showId: string): Promise<void> {
  asking = asking.then(async () => {
    const before = useFound.getState();
    const known = before.showId === showId ? before : NOTHING;
    try {
      const { number, whole, parts } = await findingsSince(showId, known.number);
      if (useShow.getState().showId !== showId) return;
      const byPart = new Map(whole ? [] : known.byPart);
      for (const [part, found] of Object.entries(parts)) {
        if (found.length) byPart.set(part, found);
        else byPart.delete(part);
      }
      useFound.setState({ showId, number, byPart, all: [...byPart.values()].flat().sort(worstFirst) });
    } catch {
      // the banner of the lost server says it; what is shown stays until it is back
      setTimeout(() => useShow.getState().showId === showId && void follow(showId), RETRY_MS);
    }
  });
  return asking;
}

/** Keeps the findings fresh while a station is on the screen. */
export function useFollowFindings(): void {
  const showId = useShow((s) => s.showId);
  const told = useShow((s) => s.findings);
  const lost = useShow((s) => s.lostSince !== null);
  useEffect(() => {
    if (showId && !lost) void follow(showId);
  }, [showId, told, lost]);
}

const NONE: Found[] = [];

/** All findings, the worst first, accepted ones last. */
export const useFindings = (): Found[] => useFound((s) => s.all);

/** Those about one part, the worst first. */
export const useFindingsOf = (part: string): Found[] => useFound((s) => s.byPart.get(part)) ?? NONE;
