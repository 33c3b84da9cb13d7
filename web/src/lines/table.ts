/** The line table as it is looked at: which rows, in which order. */
import type { TableLine } from "../api/types";

export type Column = "page" | "label" | "on" | "targetName" | "address" | "types" | "low" | "findings";

export const COLUMNS: { column: Column; title: string }[] = [
  { column: "page", title: "Page" },
  { column: "label", title: "Control" },
  { column: "on", title: "When" },
  { column: "targetName", title: "Target" },
  { column: "address", title: "Address" },
  { column: "types", title: "Types" },
  { column: "low", title: "Range" },
  { column: "findings", title: "Finding" },
];

/** The lines that have all of the words somewhere; only those with a finding where that is wanted. */
export function filtered(lines: TableLine[], words: string, wrong: boolean): TableLine[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter((line) => {
    const text = [line.page, line.label, line.on, line.kind, line.targetName, line.address, line.types]
      .concat(line.findings.map((f) => f.message))
      .join(" ")
      .toLowerCase();
    return (!wrong || line.findings.length > 0) && wanted.every((word) => text.includes(word));
  });
}

/** In the order of a column; numbers within texts count as numbers, equal ones stay in the order of the pages. */
export function sorted(lines: TableLine[], { by, down }: { by: Column; down: boolean }): TableLine[] {
  const way = down ? -1 : 1;
  const collator = new Intl.Collator("en", { numeric: true });
  return [...lines].sort((a, b) => {
    if (by === "low") return way * ((a.low ?? -Infinity) - (b.low ?? -Infinity));
    if (by === "findings") return way * (b.findings.length - a.findings.length);
    return by === "page" && !down ? 0 : way * collator.compare(a[by], b[by]);
  });
}
