import type { CSSProperties } from "react";

/** Where a fader or a knob holds a hand; nothing where it holds nowhere. */
export function DetentMark({ at, className }: { at: number | null; className: string }) {
  return at === null ? null : <div className={className} style={{ "--holds": at } as CSSProperties} />;
}
