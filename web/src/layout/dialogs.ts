/** The dialog of Build that is open; keys and buttons open the same ones. */
import { create } from "zustand";

export type BuildDialog = "paste" | "replace" | "lines" | "layoutFile" | null;

export const useBuildDialog = create<{ open: BuildDialog }>()(() => ({ open: null }));

export const openDialog = (open: BuildDialog) => useBuildDialog.setState({ open });
