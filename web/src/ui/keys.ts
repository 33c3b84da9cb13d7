/** Is somebody typing? Then letters and arrows belong to the field, and Ctrl+C to its text. */
export function isTyping(e: KeyboardEvent): boolean {
  return e.target instanceof HTMLElement && e.target.matches("input, textarea, select, [contenteditable]");
}
