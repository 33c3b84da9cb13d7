/** What lies on the cells of a page or of a tray. */
import type { Control, Held, Page, Tray, Twin } from "../api/types";
import { type HeldOf, partOf, partsOf } from "./show";

export type Laid = HeldOf<Control | Tray | Twin>;

export interface Grid {
  columns: number;
  rows: number;
}

type Parts = ReadonlyMap<string, Held>;

/** All that lies on a grid, in order. */
export function laidOn(parts: Parts, grid: string): Laid[] {
  const laid: Laid[] = [
    ...partsOf(parts, "control", grid),
    ...partsOf(parts, "twin", grid),
    ...partsOf(parts, "tray", grid),
  ];
  return laid.sort((a, b) => a.part.order - b.part.order || (a.part.id < b.part.id ? -1 : 1));
}

export function laidOf(parts: Parts, id: string | null | undefined): Laid | undefined {
  return partOf(parts, "control", id) ?? partOf(parts, "twin", id) ?? partOf(parts, "tray", id);
}

/** The control that is seen at a place: the one that lies there, or the one that is shown again. */
export function controlAt(parts: Parts, { part: { id, body } }: Laid): HeldOf<Control> | undefined {
  return partOf(parts, "control", body.kind === "twin" ? body.of : id);
}

/** What people call it. */
export function calledOf(parts: Parts, held: Laid): string {
  const { body } = held.part;
  if (body.kind === "tray") return body.name;
  const control = controlAt(parts, held)?.part.body;
  return control ? nameOf(control) : "a control that is gone";
}

export const nameOf = (control: Control) => control.label || control.form.kind;

/** The cells of a page, or within a tray. */
export function gridIn(parts: Parts, id: string): Grid {
  const page = partOf(parts, "page", id)?.part.body;
  const tray = partOf(parts, "tray", id)?.part.body;
  return page ?? { columns: tray?.columns ?? 1, rows: tray?.cells.height ?? 1 };
}

/** The page on which something lies, itself or in a tray. */
export function pageOf(parts: Parts, id: string): string | undefined {
  const parent = parts.get(id)?.part.parent ?? undefined;
  return parent && partOf(parts, "tray", parent) ? (parts.get(parent)?.part.parent ?? undefined) : parent;
}

/** Whether a page lies in a copy of a layout on which somebody works. */
export function inDraft(parts: Parts, page: string): boolean {
  return partOf(parts, "layout", parts.get(page)?.part.parent)?.part.body.draft != null;
}

/** In pixels; phones are narrower, held upright. The styles (max-sm) and the server's shape of a page draw the line there, too. */
const PHONE_WIDTH = 640;

/** The page that is shown where none is asked for: on a phone one that is meant for phones, where there is one. */
export function usualPage(pages: HeldOf<Page>[]): HeldOf<Page> | undefined {
  const phone = window.innerWidth < PHONE_WIDTH;
  return pages.find((p) => phone && p.part.body.screen.kind === "PHONE") ?? pages[0];
}
