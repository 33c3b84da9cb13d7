/** Screens that pages are meant for, and whether fingers find what lies there. */
import { create } from "zustand";
import type { Page } from "../api/types";
import { partOf, useShow } from "../live/show";
import { controlAt, type Laid, pageOf } from "./laid";

export type ScreenKind = Page["screen"]["kind"];

/** Usual screens in CSS pixels; the server gives new pages the same. */
export const SCREENS: { kind: ScreenKind; text: string; width: number; height: number }[] = [
  { kind: "PHONE", text: "phone 390 × 844", width: 390, height: 844 },
  { kind: "TABLET", text: "tablet 1180 × 820", width: 1180, height: 820 },
  { kind: "DESK", text: "desk 1280 × 800", width: 1280, height: 800 },
  { kind: "WALL", text: "wall 1920 × 1080", width: 1920, height: 1080 },
  { kind: "OWN", text: "its own size", width: 1280, height: 800 },
];

/** Whether a page is built in the shape of the screen that it is meant for. */
export const usePreview = create<{ on: boolean }>()(() => ({ on: false }));

/** What the bars of Run take of a screen's height. */
const BARS = 84;
/** WCAG 2.2, "Target Size (Enhanced)". */
const LEAST = 44;

/** The room that a page has on its screen. */
export function screenOf(page: Page): { width: number; height: number } {
  return { width: page.screen.width, height: Math.max(1, page.screen.height - BARS) };
}

/** The size of something that hands take, where it is smaller than a finger needs; else nothing. */
export function useTooSmall(held: Laid): string | null {
  const parts = useShow((s) => s.parts);
  const { body } = held.part;
  const page = partOf(parts, "page", pageOf(parts, held.part.id))?.part.body;
  const control = controlAt(parts, held)?.part.body;
  if (!control || !page || SHOWN_ONLY.has(control.form.kind)) return null;
  const screen = screenOf(page);
  const width = Math.round((body.cells.width * screen.width) / page.columns);
  const height = Math.round((body.cells.height * screen.height) / page.rows);
  return width < LEAST || height < LEAST ? `${width} × ${height} px` : null;
}

const SHOWN_ONLY = new Set(["meter", "lamp", "readout", "needle", "clock", "picture"]);
