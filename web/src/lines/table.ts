/** The line table as it is looked at: which rows, in which order. */
import type { Found, TableLine } from "../api/types";

/** A line, and what the checks say of it that nobody accepted. */
export interface Row extends TableLine {
  found: Found[];
}

export type Column = "page" | "label" | "on" | "targetName" | "address" | "types" | "low" | "found";

export const COLUMNS: { column: Column; title: string }[] = [
  { column: "page", title: "Page or list" },
  { column: "label", title: "Control or cue" },
  { column: "on", title: "When" },
  { column: "targetName", title: "Target" },
  { column: "address", title: "Address" },
  { column: "types", title: "Types" },
  { column: "low", title: "Range" },
  { column: "found", title: "Finding" },
];

/** The lines that have all of the words somewhere; only those with a finding where that is wanted. */
export function filtered(lines: Row[], words: string, wrong: boolean): Row[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter((line) => {
    const text = [line.page, line.label, line.on, line.kind, line.targetName, line.address, line.types]
      .concat(line.found.map((f) => f.text))
      .join(" ")
      .toLowerCase();
    return (!wrong || line.found.length > 0) && wanted.every((word) => text.includes(word));
  });
}

/** In the order of a column; numbers within texts count as numbers, equal ones stay in the order of the pages. */
export function sorted(lines: Row[], { by, down }: { by: Column; down: boolean }): Row[] {
  const way = down ? -1 : 1;
  const collator = new Intl.Collator("en", { numeric: true });
  return [...lines].sort((a, b) => {
    if (by === "low") return way * ((a.low ?? -Infinity) - (b.low ?? -Infinity));
    if (by === "found") return way * (b.found.length - a.found.length);
    return by === "page" && !down ? 0 : way * collator.compare(a[by], b[by]);
  });
}
