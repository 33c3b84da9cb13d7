/** The show as this browser knows it: its parts, the links, and whether the server is there. */
import { create } from "zustand";
import type { Body, Edit, Held, Link, Part, ServerFrame, WireRow } from "../api/types";

const SEEN_MS = 2000;

interface ShowState {
  /** Empty until the server's welcome. */
  showId: string;
  showName: string;
  /** Whether the show owns the sockets. */
  live: boolean;
  /** The address names a show that is not there. */
  noSuchShow: boolean;
  /** The number of the last edit this browser has seen. */
  version: number;
  parts: ReadonlyMap<string, Held>;
  links: ReadonlyMap<string, Link>;
  lastOut: WireRow | null;
  lastIn: WireRow | null;
  /** Packets that came faster than the server could handle them. */
  missed: number;
  /** When the connection was lost; null while it stands. */
  lostSince: Date | null;
}

export const useShow = create<ShowState>()(() => ({
  showId: "",
  showName: "",
  live: true,
  noSuchShow: false,
  version: 0,
  parts: new Map(),
  links: new Map(),
  lastOut: null,
  lastIn: null,
  missed: 0,
  lostSince: null,
}));

/** Follows one edit that the server has kept. */
export function follow(parts: ReadonlyMap<string, Held>, edit: Edit): Map<string, Held> {
  const next = new Map(parts);
  for (const { id, after } of edit.changes) {
    if (after) next.set(id, { part: after, version: edit.number, author: edit.author });
    else next.delete(id);
  }
  return next;
}

export function receiveShow(frame: ServerFrame): void {
  useShow.setState((state) => {
    const welcome = frame.welcome;
    let parts = welcome ? new Map(welcome.parts.map((held) => [held.part.id, held])) : state.parts;
    for (const edit of frame.edits) parts = follow(parts, edit);
    const links = welcome || frame.links.length ? new Map(welcome ? [] : state.links) : state.links;
    for (const link of frame.links) (links as Map<string, Link>).set(link.target, link);
    return {
      showId: welcome ? welcome.showId : state.showId,
      showName: welcome ? welcome.showName : state.showName,
      live: welcome ? welcome.live : state.live,
      parts,
      version: frame.edits.at(-1)?.number ?? welcome?.version ?? state.version,
      links,
      lastOut: frame.lastOut ?? state.lastOut,
      lastIn: frame.lastIn ?? state.lastIn,
      missed: welcome ? frame.missed : Math.max(state.missed, frame.missed),
      lostSince: welcome ? null : state.lostSince,
    };
  });
}

/** Waits until this browser has seen an edit; not longer than a moment, for the connection may be gone. */
export function seen(version: number): Promise<void> {
  return new Promise((resolve) => {
    if (useShow.getState().version >= version) return resolve();
    const done = () => {
      stop();
      clearTimeout(timer);
      resolve();
    };
    const stop = useShow.subscribe((state) => state.version >= version && done());
    const timer = setTimeout(done, SEEN_MS);
  });
}

export type HeldOf<B extends Body> = Held & { part: Part & { body: B } };

/** The parts of a kind in the order people see them; a parent narrows them. */
export function partsOf<K extends Body["kind"]>(
  parts: ReadonlyMap<string, Held>,
  kind: K,
  parent?: string,
): HeldOf<Extract<Body, { kind: K }>>[] {
  const found = [...parts.values()].filter(
    (h) => h.part.body.kind === kind && (parent === undefined || h.part.parent === parent),
  );
  found.sort((a, b) => a.part.order - b.part.order || (a.part.id < b.part.id ? -1 : 1));
  return found as HeldOf<Extract<Body, { kind: K }>>[];
}

export function partOf<K extends Body["kind"]>(
  parts: ReadonlyMap<string, Held>,
  kind: K,
  id: string | null | undefined,
): HeldOf<Extract<Body, { kind: K }>> | undefined {
  const held = id ? parts.get(id) : undefined;
  return held?.part.body.kind === kind ? (held as HeldOf<Extract<Body, { kind: K }>>) : undefined;
}
