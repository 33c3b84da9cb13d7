/** How long a text is, for styles that make it as large as its place allows instead of cutting it. */
import type { CSSProperties } from "react";

const longestWord = (text: string) => Math.max(1, ...text.split(/[\s-]+/).map((word) => word.length));

export const fitted = (text: string) =>
  ({ "--longest": longestWord(text), "--whole": Math.max(1, text.length) }) as CSSProperties;

/** The same for an element whose text is written without React. */
export function fit(element: HTMLElement, text: string): void {
  element.style.setProperty("--longest", String(longestWord(text)));
  element.style.setProperty("--whole", String(Math.max(1, text.length)));
}
