/** Screens that pages are meant for; their sizes are the server's. */
import { create } from "zustand";
import type { Page } from "../api/types";

export type ScreenKind = Page["screen"]["kind"];

export const SCREENS: { value: ScreenKind; text: string }[] = [
  { value: "PHONE", text: "phone" },
  { value: "TABLET", text: "tablet" },
  { value: "DESK", text: "desk" },
  { value: "WALL", text: "wall" },
  { value: "OWN", text: "a size of its own" },
];

/** Whether a page is built in the shape of the screen that it is meant for. */
export const usePreview = create<{ on: boolean }>()(() => ({ on: false }));
