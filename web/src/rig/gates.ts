/** What may leave for whom: held, rehearsed, or let go. */
import { create } from "zustand";
import type { Gate } from "../api/types";
import { command } from "../live/connection";
import { partsOf, useShow } from "../live/show";

/** What a gate is called, and what it means; an open one needs no word. */
export const GATE_WORDS: Record<Exclude<Gate, "OPEN">, { word: string; hint: string }> = {
  HELD: { word: "held", hint: "Nothing is sent by hand; the link is kept alive" },
  SILENT: { word: "silent", hint: "Nothing is sent at all, keep-alives neither" },
  REHEARSING: { word: "rehearsal", hint: "Everything is shown as it would be sent, and nothing leaves" },
};

/** Who is to be let go, once it is decided whether the start lists are sent; a null target means all. */
export const useLettingGo = create<{ asked: { target: string | null } | null }>()(() => ({ asked: null }));

function gateOf(target: string): Gate {
  return useShow.getState().links.get(target)?.gate ?? "OPEN";
}

/** The targets that have a start list and would be let go. */
export function withStartList(target: string | null) {
  return partsOf(useShow.getState().parts, "target").filter(
    ({ part }) =>
      (target === null || part.id === target) && part.body.startList.length > 0 && gateOf(part.id) !== "OPEN",
  );
}

/** Sets what may leave; for all targets where none is named. What is let go may have missed its start: that is asked first. */
export function setGate(target: string | null, gate: Gate): void {
  if (gate === "OPEN" && withStartList(target).length > 0) useLettingGo.setState({ asked: { target } });
  else command({ kind: "gate", target, gate });
}

/** Lets go what was asked about. */
export function letGo(target: string | null, start: boolean): void {
  const starting = start ? withStartList(target) : [];
  command({ kind: "gate", target, gate: "OPEN" });
  for (const { part } of starting) command({ kind: "start", target: part.id });
  useLettingGo.setState({ asked: null });
}

/** One key for all: holds everything; only where everything is held already, it is let go. */
export function toggleHoldAll(): void {
  const all = [...useShow.getState().links.values()];
  setGate(null, all.length > 0 && all.every((link) => link.gate === "HELD") ? "OPEN" : "HELD");
}
