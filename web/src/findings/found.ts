/** Findings in their order, and which of them belong together. */
import type { Found } from "../api/types";

const ORDER: Found["severity"][] = ["STOPS_SHOW", "LOOK", "NOTE"];
const AREAS: Found["area"][] = ["RIG", "PHRASEBOOKS", "LINES", "PAGES"];

export function worstFirst(a: Found, b: Found): number {
  return (
    Number(a.accepted !== null) - Number(b.accepted !== null) ||
    ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity) ||
    AREAS.indexOf(a.area) - AREAS.indexOf(b.area) ||
    a.title.localeCompare(b.title)
  );
}

export const isOpen = (found: Found) => found.accepted === null;

/** What is open, is worth a look, and is not about a copy in work. */
export const counts = (found: Found) => isOpen(found) && found.severity !== "NOTE" && !found.inCopy;

/** What belongs to a field of a part, such as one of its lines, or lies in it. */
export const ofField = (found: Found[], wanted: string): Found[] =>
  found.filter(({ field }) => field === wanted || field.startsWith(`${wanted}/`));

/** What belongs to one line of a control, counted from 0; the others belong to none. */
export const ofLine = (found: Found[], kind: "sends" | "listens", index: number): Found[] =>
  ofField(found, `${kind}/${index}`);

export const ofNoLine = (found: Found[]): Found[] =>
  found.filter(({ field }) => !/^(sends|listens)\/\d/.test(field));

/** Findings of one kind that have one cause. */
export interface Group {
  key: string;
  found: Found[];
}

/** In the order in which the first of each comes. */
export function grouped(found: Found[]): Group[] {
  const groups = new Map<string, Found[]>();
  for (const each of found) {
    const key = `${each.kind} ${each.cause} ${each.accepted !== null}`;
    if (!groups.get(key)?.push(each)) groups.set(key, [each]);
  }
  return [...groups].map(([key, all]) => ({ key, found: all }));
}
