/** Copied controls, kept by this browser across pages, shows and tabs. */
import type { Control, Problem } from "../api/types";

const KEY = "imperan.copied";

export function copied(): Control[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? "[]");
    return Array.isArray(kept) ? (kept as Control[]) : [];
  } catch {
    return [];
  }
}

/** @returns what speaks against it: a browser keeps only so much */
export function keepCopied(controls: Control[]): Problem[] {
  try {
    localStorage.setItem(KEY, JSON.stringify(controls));
    return [];
  } catch {
    const message = "This browser has no room to keep the copy. Copy fewer controls at once";
    return [{ part: null, field: "", message, mend: null }];
  }
}
