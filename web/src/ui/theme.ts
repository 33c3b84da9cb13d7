/** Night or day, remembered by the browser. */
import { create } from "zustand";

export type Theme = "night" | "day";

const KEY = "imperan.theme";

export const useTheme = create<{ theme: Theme }>()(() => ({
  theme: localStorage.getItem(KEY) === "day" ? "day" : "night",
}));

export function setTheme(theme: Theme): void {
  localStorage.setItem(KEY, theme);
  useTheme.setState({ theme });
  show(theme);
}

/** Puts the theme on the page, before anything is drawn. */
export function show(theme: Theme = useTheme.getState().theme): void {
  document.documentElement.dataset.theme = theme;
  document.documentElement.style.colorScheme = theme === "day" ? "light" : "dark";
}
