/** Is the key meant for a field, a list or a dialog, and not for the station behind it? */
export function isMeantElsewhere(e: KeyboardEvent): boolean {
  return (
    e.target instanceof HTMLElement &&
    e.target.closest(
      "input, textarea, select, [contenteditable], [role=dialog], [role=alertdialog], [role=listbox]",
    ) !== null
  );
}
