import type { Control } from "../api/types";

/** The ends of the scale in the terms of the target. */
export function range(control: Control): [number, number] {
  for (const send of control.sends) {
    for (const source of send.arguments) if (source.from === "value") return [source.low, source.high];
  }
  const listen = control.listens[0];
  return listen ? [listen.low, listen.high] : [0, 1];
}

/** A mark of a scale, and where it stands, 0 to 1. */
export interface PlacedMark {
  place: number;
  text: string;
}

/** The marks that a fader has of its own; those beyond its ends are not seen. */
export function ownMarks(control: Control): PlacedMark[] {
  const [low, high] = range(control);
  const own = control.form.kind === "fader" ? control.form.marks : [];
  return own
    .map(({ value, text }) => ({ place: (value - low) / (high - low), text }))
    .filter(({ place }) => place >= 0 && place <= 1);
}

/** Whether its target takes whole numbers, between which there is nothing to read. */
const isWhole = (control: Control) =>
  control.sends.some((send) =>
    send.arguments.some((a) => a.from === "value" && (a.type === "INT32" || a.type === "INT64")),
  );

const shortened = (value: number) => Number(value.toPrecision(3));

/** The marks beside the slot: those that it has, or five at even distances. */
export function scale(control: Control): PlacedMark[] {
  const own = ownMarks(control);
  if (own.length) return own;
  const [low, high] = range(control);
  return [0, 0.25, 0.5, 0.75, 1].map((place) => ({
    place,
    text: String(
      isWhole(control) ? Math.round(low + (high - low) * place) : shortened(low + (high - low) * place),
    ),
  }));
}

/** How wide the widest text of a scale is, in heights of its letters. */
export function widestOf(marks: PlacedMark[]): number {
  return Math.max(1, ...marks.map(({ text }) => text.length)) * 0.62;
}
