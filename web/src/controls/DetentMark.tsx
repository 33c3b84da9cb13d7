import type { CSSProperties } from "react";
import type { Form } from "../api/types";

/** Where a fader or a knob holds a hand; nothing where it holds nowhere. */
export function DetentMark({ form, className }: { form: Form; className: string }) {
  const at = form.kind === "fader" || form.kind === "knob" ? form.holdsAt : null;
  return at === null ? null : <div className={className} style={{ "--holds": at } as CSSProperties} />;
}
