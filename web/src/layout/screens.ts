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

/** Whether pages are built in the shape of the screen they are meant for; as long as nobody said, those for phones are. */
export const usePreview = create<{ on: boolean | null }>()(() => ({ on: null }));

export const useIsShaped = (page: Page) => usePreview((s) => s.on) ?? page.screen.kind === "PHONE";
