/** What lies on the cells of a page or of a tray. */
import type { Control, Held, Tray } from "../api/types";
import { type HeldOf, partOf, partsOf } from "../live/show";

export type Laid = HeldOf<Control | Tray>;

export interface Grid {
  columns: number;
  rows: number;
}

/** Controls and trays on a grid, in order. */
export function laidOn(parts: ReadonlyMap<string, Held>, grid: string): Laid[] {
  const laid: Laid[] = [...partsOf(parts, "control", grid), ...partsOf(parts, "tray", grid)];
  return laid.sort((a, b) => a.part.order - b.part.order || (a.part.id < b.part.id ? -1 : 1));
}

export function laidOf(parts: ReadonlyMap<string, Held>, id: string | null | undefined): Laid | undefined {
  return partOf(parts, "control", id) ?? partOf(parts, "tray", id);
}

/** The cells of a page, or within a tray. */
export function gridIn(parts: ReadonlyMap<string, Held>, id: string): Grid {
  const page = partOf(parts, "page", id)?.part.body;
  const tray = partOf(parts, "tray", id)?.part.body;
  return page ?? { columns: tray?.columns ?? 1, rows: tray?.cells.height ?? 1 };
}

/** The page on which something lies, itself or in a tray. */
export function pageOf(parts: ReadonlyMap<string, Held>, id: string): string | undefined {
  const parent = parts.get(id)?.part.parent ?? undefined;
  return parent && partOf(parts, "tray", parent) ? (parts.get(parent)?.part.parent ?? undefined) : parent;
}
