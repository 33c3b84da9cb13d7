/** What the newest reports say of the lines as they are now. */
import { useEffect } from "react";
import { create } from "zustand";
import type { Proved } from "../api/types";
import { useShow } from "../live/show";
import { proved } from "../requests/proof";

/** Edits come in bursts, and what is proved is worked out anew for each look. */
const SETTLED_MS = 1500;

interface State {
  /** By the names of lines. */
  lines: ReadonlyMap<string, Proved>;
  /** Those of each control. */
  controls: ReadonlyMap<string, Proved[]>;
}

const useProved = create<State>()(() => ({ lines: new Map(), controls: new Map() }));

/** A line is named by its control, what it is, and its number. */
const controlOf = (line: string) => line.slice(0, line.indexOf(":"));

export function learnProved(): Promise<void> {
  return proved().then(
    (found) => {
      const controls = new Map<string, Proved[]>();
      for (const line of found) {
        const of = controlOf(line.line);
        controls.set(of, [...(controls.get(of) ?? []), line]);
      }
      useProved.setState({ lines: new Map(found.map((line) => [line.line, line])), controls });
    },
    () => undefined,
  );
}

const isAway = (state: string) => state === "LOST" || state === "PORT_CLOSED";

/** Keeps what is proved up to date while the frame is shown. */
export function useLearnProved(): void {
  const version = useShow((s) => s.version);
  const show = useShow((s) => s.showId);
  // who was away may be another one since
  const away = useShow((s) =>
    [...s.links]
      .filter(([, link]) => isAway(link.state))
      .map(([id]) => id)
      .join(" "),
  );
  useEffect(() => {
    if (!show) return;
    const timer = setTimeout(() => void learnProved(), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [version, show, away]);
}

/** How many lines stand proved. */
export const useProvedCount = () =>
  useProved((s) => [...s.lines.values()].filter((line) => line.holds).length);

const NONE: Proved[] = [];
export const useProvedOf = (control: string) => useProved((s) => s.controls.get(control) ?? NONE);
