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
  if (first === undefined) return null;
  const parts = after.has(first) ? after : before;
  const body = parts.get(first)!.part.body;
  switch (body.kind) {
    case "control":
    case "tray":
    case "twin": {
      const page = pageOf(parts, first);
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
      return { path: `/cues/${parts.get(first)!.part.parent ?? ""}`, select: [] };
    case "track":
    case "setList":
      return { path: "/cues", select: [] };
    case "trackMark": {
      const track = parts.get(first)!.part.parent;
      const list = [...parts.values()].find(
        (h) => h.part.body.kind === "cueList" && h.part.body.track === track,
      );
      return { path: list ? `/cues/${list.part.id}` : "/cues", select: [] };
    }
    case "song":
      return { path: "/cues", select: [] };
    case "look":
      return { path: "/cues", select: [] };
    case "value":
      return { path: "/lines/values", select: [] };
    case "phrasebook":
      return { path: after.has(first) ? `/rig/phrasebooks/${first}` : "/rig/phrasebooks", select: [] };
    case "phrase":
      return { path: `/rig/phrasebooks/${parts.get(first)!.part.parent ?? ""}`, select: [] };
    default:
      return null;
  }
}
