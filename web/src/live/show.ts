/** The show as this browser knows it: its parts, the links, and whether the server is there. */
import { create } from "zustand";
import type {
  Body,
  CueListState,
  Edit,
  Held,
  Link,
  Part,
  Presence,
  ServerFrame,
  SetState,
  WireRow,
} from "../api/types";
import { reckoned, type ToldTrack } from "./position";

const SEEN_MS = 2000;
const CALM_MS = 200;

/** How a cue list stands: what it says of times to come counts from when it was told. */
export interface ToldCues {
  state: CueListState;
  /** By performance.now(). */
  at: number;
}

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
  /** The number of the newest findings that the server told of. */
  findings: number;
  /** The page that a target, or a cue, wants shown, each time anew; to some people by their names, or to all that follow. */
  pageWanted: { page: string; people: string[] } | null;
  /** How the cue lists stand, each with the moment at which that was told. */
  cues: ReadonlyMap<string, ToldCues>;
  /** Where the tracks are, each with the moment that counts for it. */
  tracks: ReadonlyMap<string, ToldTrack>;
  /** Which songs of the set lists are ready, and on air. */
  sets: ReadonlyMap<string, SetState>;
  /** Who else is building, and what they have selected. */
  presences: readonly Presence[];
  /** Touches that could not be sent while the connection was lost. */
  unsent: number;
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
  findings: 0,
  pageWanted: null,
  cues: new Map(),
  tracks: new Map(),
  sets: new Map(),
  presences: [],
  unsent: 0,
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

/** The changes of an edit that comes in several frames, as far as they came. */
let unfinished: Edit["changes"] = [];

/** The edits of a frame that are whole; one that goes on waits for the rest of it. */
function wholeEdits(frame: ServerFrame): Edit[] {
  if (frame.welcome) unfinished = [];
  const edits = frame.edits.map((edit, i) =>
    i === 0 && unfinished.length ? { ...edit, changes: [...unfinished, ...edit.changes] } : edit,
  );
  if (edits.length) unfinished = frame.goesOn ? edits.pop()!.changes : [];
  return edits;
}

/** Frames of which nothing was told yet. */
let untold: ServerFrame[] = [];
let toldAt = -Infinity;
let timer: ReturnType<typeof setTimeout> | undefined;

/** What changes with every packet, such as the last of them, is told only as often as an eye can follow. */
export function receiveShow(received: ServerFrame): void {
  const frame = { ...received, edits: wholeEdits(received) };
  // nothing is drawn anew for a piece of an edit
  if (frame.goesOn && !frame.welcome && frame.edits.length === 0) return;
  if (frame.welcome) untold = [];
  placed(frame);
  untold.push(frame);
  const calm = toldAt + CALM_MS - performance.now();
  if (
    frame.welcome ||
    frame.edits.length ||
    frame.page ||
    frame.cues.length ||
    frame.sets.length ||
    frame.presences ||
    calm <= 0
  )
    tell();
  else timer ??= setTimeout(tell, calm);
}

/** Where tracks are counts from when it came, whenever it is drawn. */
function placed(frame: ServerFrame): void {
  if (!frame.welcome && frame.tracks.length === 0) return;
  const now = performance.now();
  const tracks = new Map(frame.welcome ? [] : useShow.getState().tracks);
  for (const state of frame.tracks) tracks.set(state.track, reckoned(tracks.get(state.track), state, now));
  useShow.setState({ tracks });
}

function tell(): void {
  clearTimeout(timer);
  timer = undefined;
  toldAt = performance.now();
  const frames = untold;
  untold = [];
  useShow.setState((state) => frames.reduce(after, state));
}

function after(state: ShowState, { welcome, edits, ...frame }: ServerFrame): ShowState {
  let parts = welcome ? new Map(welcome.parts.map((held) => [held.part.id, held])) : state.parts;
  for (const edit of edits) parts = follow(parts, edit);
  const links = welcome || frame.links.length ? new Map(welcome ? [] : state.links) : state.links;
  for (const link of frame.links) (links as Map<string, Link>).set(link.target, link);
  return {
    ...state,
    showId: welcome ? welcome.showId : state.showId,
    showName: welcome ? welcome.showName : state.showName,
    live: welcome ? welcome.live : state.live,
    parts,
    version: edits.at(-1)?.number ?? welcome?.version ?? state.version,
    links,
    lastOut: frame.lastOut ?? state.lastOut,
    lastIn: frame.lastIn ?? state.lastIn,
    pageWanted: frame.page ?? state.pageWanted,
    cues: welcome || frame.cues.length ? told(welcome ? new Map() : state.cues, frame.cues) : state.cues,
    sets:
      welcome || frame.sets.length
        ? new Map([...(welcome ? [] : state.sets), ...frame.sets.map((set) => [set.set, set] as const)])
        : state.sets,
    presences: frame.presences ?? (welcome ? [] : state.presences),
    findings: frame.findings ?? state.findings,
    missed: welcome ? frame.missed : Math.max(state.missed, frame.missed),
    lostSince: welcome ? null : state.lostSince,
  };
}

function told(before: ReadonlyMap<string, ToldCues>, cues: CueListState[]): Map<string, ToldCues> {
  const next = new Map(before);
  for (const state of cues) next.set(state.list, { state, at: performance.now() });
  return next;
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

/** The parts of each version of the show by their kind, in the order people see them: sorted once, asked for by many. */
const grouped = new WeakMap<ReadonlyMap<string, Held>, Map<string, Held[]>>();

function byKind(parts: ReadonlyMap<string, Held>): Map<string, Held[]> {
  let kinds = grouped.get(parts);
  if (!kinds) {
    kinds = new Map();
    for (const held of parts.values()) {
      const kind = held.part.body.kind;
      if (!kinds.get(kind)?.push(held)) kinds.set(kind, [held]);
    }
    for (const list of kinds.values())
      list.sort((a, b) => a.part.order - b.part.order || (a.part.id < b.part.id ? -1 : 1));
    grouped.set(parts, kinds);
  }
  return kinds;
}

/** The parts of a kind in the order people see them; a parent narrows them. */
export function partsOf<K extends Body["kind"]>(
  parts: ReadonlyMap<string, Held>,
  kind: K,
  parent?: string,
): HeldOf<Extract<Body, { kind: K }>>[] {
  const found = byKind(parts).get(kind) ?? [];
  return (parent === undefined ? found : found.filter((h) => h.part.parent === parent)) as HeldOf<
    Extract<Body, { kind: K }>
  >[];
}

export function partOf<K extends Body["kind"]>(
  parts: ReadonlyMap<string, Held>,
  kind: K,
  id: string | null | undefined,
): HeldOf<Extract<Body, { kind: K }>> | undefined {
  const held = id ? parts.get(id) : undefined;
  return held?.part.body.kind === kind ? (held as HeldOf<Extract<Body, { kind: K }>>) : undefined;
}
