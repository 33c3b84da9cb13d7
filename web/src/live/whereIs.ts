/** Where in the application a part of the show is seen. */
import type { Held } from "../api/types";
import { pageOf } from "./laid";

type Parts = ReadonlyMap<string, Held>;

/** Where one sees what changed, and what of it can be selected there; null where there is nothing to see. */
export function whereIs(
  changed: string[],
  before: Parts,
  after: Parts,
): { path: string; select: string[] } | null {
  const first = changed.find((id) => after.has(id)) ?? changed[0];
  const held = after.get(first ?? "") ?? before.get(first ?? "");
  if (first === undefined || !held) return null;
  const { body } = held.part;
  switch (body.kind) {
    case "control":
    case "tray":
    case "twin": {
      const page = pageOf(after.has(first) ? after : before, first);
      if (!page || !after.has(page)) return { path: "/layout", select: [] };
      const here = changed.filter((id) => after.has(id) && pageOf(after, id) === page && id !== page);
      return { path: `/layout/${page}`, select: here };
    }
    case "page":
      return { path: after.has(first) ? `/layout/${first}` : "/layout", select: [] };
    case "layout":
      return { path: "/layout", select: [] };
    case "target":
      return { path: "/rig", select: [] };
    case "host":
      return { path: "/rig/hosts", select: [] };
    case "forward":
      return { path: "/lines/forwards", select: [] };
    case "cueList":
      return { path: after.has(first) ? `/cues/${first}` : "/cues", select: [] };
    case "cue":
      return { path: `/cues/${held.part.parent ?? ""}`, select: [] };
    case "song":
      return { path: body.list && after.has(body.list) ? `/cues/${body.list}` : "/cues", select: [] };
    case "setList":
    case "look":
      return { path: "/cues", select: [] };
    case "track":
    case "trackMark": {
      const track = body.kind === "track" ? first : held.part.parent;
      const list = [...after.values()].find(
        (h) => h.part.body.kind === "cueList" && h.part.body.track === track,
      );
      return { path: list ? `/cues/${list.part.id}` : "/cues", select: [] };
    }
    case "value":
      return { path: "/lines/values", select: [] };
    case "phrasebook":
      return { path: after.has(first) ? `/rig/phrasebooks/${first}` : "/rig/phrasebooks", select: [] };
    case "phrase":
      return { path: `/rig/phrasebooks/${held.part.parent ?? ""}`, select: [] };
    default:
      return null;
  }
}

/** The way to a part, for who means to change it: a cue and a song are opened in their fields; null where there is none. */
export function wayTo(id: string, parts: Parts): string | null {
  const path = whereIs([id], parts, parts)?.path ?? null;
  const kind = parts.get(id)?.part.body.kind;
  return path && (kind === "cue" || kind === "song") ? `${path}?part=${id}` : path;
}
