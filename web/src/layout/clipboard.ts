/** Copied controls, kept by this browser across pages, shows and tabs. */
import type { Control } from "../api/types";

const KEY = "imperan.copied";

export function copied(): Control[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? "[]") as Control[];
  } catch {
    return [];
  }
}

export function keepCopied(controls: Control[]): void {
  localStorage.setItem(KEY, JSON.stringify(controls));
}
