/** Which key of the keyboard a control is pressed by: a letter or a place, with what is held down. */

type Pressed = Pick<KeyboardEvent, "key" | "code" | "ctrlKey" | "altKey" | "shiftKey" | "metaKey">;

const HELD: Record<string, "ctrlKey" | "altKey" | "shiftKey" | "metaKey"> = {
  ctrl: "ctrlKey",
  alt: "altKey",
  shift: "shiftKey",
  meta: "metaKey",
};

/** Whether a key that went down is the one that is written, such as Ctrl+g, or [KeyG] for its place. */
export function isStroke(written: string, e: Pressed): boolean {
  const held = { ctrlKey: false, altKey: false, shiftKey: false, metaKey: false };
  let key = written.trim();
  for (let plus = key.indexOf("+", 1); plus > 0 && plus < key.length - 1; plus = key.indexOf("+", 1)) {
    const modifier = HELD[key.slice(0, plus).trim().toLowerCase()];
    if (modifier) held[modifier] = true;
    key = key.slice(plus + 1).trim();
  }
  if (key === "" || e.ctrlKey !== held.ctrlKey || e.altKey !== held.altKey || e.metaKey !== held.metaKey)
    return false;
  const place = key.length > 2 && key.startsWith("[") && key.endsWith("]") ? key.slice(1, -1) : null;
  // a sign such as ? is only there with Shift
  const isSign = place === null && key.length === 1 && key.toLowerCase() === key.toUpperCase();
  if (!isSign && e.shiftKey !== held.shiftKey) return false;
  const name = e.key === " " ? "Space" : e.key;
  return place !== null ? e.code === place : name.toLowerCase() === key.toLowerCase();
}

/** What was pressed, as it is written: by its place, for the letter there is another one on another keyboard. */
export function strokeOf(e: Pressed): string | null {
  if (["Control", "Alt", "Shift", "Meta"].includes(e.key)) return null;
  return [e.ctrlKey && "Ctrl", e.altKey && "Alt", e.shiftKey && "Shift", e.metaKey && "Meta", `[${e.code}]`]
    .filter(Boolean)
    .join("+");
}
