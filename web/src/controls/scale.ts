import type { ArgumentSource, Control, ShapingAsked, ShapingStep } from "../api/types";

type Scale = Extract<ShapingStep, { step: "scale" }>;

/** The only step, where that is a straight line over the whole way of a control; null where there is more to it. */
export function plainScale(shaping: readonly ShapingStep[]): Scale | null {
  const only = shaping.length === 1 ? shaping[0] : undefined;
  return only?.step === "scale" && only.fromLow === 0 && only.fromHigh === 1 ? only : null;
}

/** A straight line over the whole way of a control. */
export const plain = (low: number, high: number): ShapingStep => ({
  step: "scale",
  fromLow: 0,
  fromHigh: 1,
  low,
  high,
});

/** The same steps with another end of their straight line. */
export const withEnd = (
  shaping: readonly ShapingStep[],
  end: { low: number } | { high: number },
): ShapingStep[] => shaping.map((step) => (step.step === "scale" ? { ...step, ...end } : step));

type ValueSource = Extract<ArgumentSource, { from: "value" }>;

/** The steps to the first argument that carries the value; else those by which it is heard. */
function shapingOf(control: Control): readonly ShapingStep[] {
  const value = control.sends
    .flatMap((send) => send.arguments)
    .find((a): a is ValueSource => a.from === "value");
  return value?.shaping ?? control.listens[0]?.shaping ?? [plain(0, 1)];
}

/** A mark of a scale, and where it stands, 0 to 1. */
export interface PlacedMark {
  place: number;
  text: string;
}

const marksOf = (control: Control) => (control.form.kind === "fader" ? control.form.marks : []);

/** Whether its target takes whole numbers, between which there is nothing to read. */
const isWhole = (control: Control) =>
  control.sends.some((send) =>
    send.arguments.some((a) => a.from === "value" && (a.type === "INT32" || a.type === "INT64")),
  );

const shortened = (value: number) => Number(value.toPrecision(3));

/** What the server is asked for the marks beside the slot; null where they are seen without: on a straight line. */
export function scaleAsked(control: Control): ShapingAsked | null {
  const shaping = shapingOf(control);
  if (plainScale(shaping)) return null;
  return {
    shaping: [...shaping],
    type: isWhole(control) ? "INT32" : "FLOAT32",
    position: 0,
    marks: marksOf(control),
  };
}

/** The marks beside the slot on a straight line: those that it has, or five at even distances. */
export function straightScale(control: Control): PlacedMark[] {
  const straight = plainScale(shapingOf(control));
  if (!straight) return [];
  const { low, high } = straight;
  const own = marksOf(control)
    .map(({ value, text }) => ({ place: (value - low) / (high - low), text }))
    .filter(({ place }) => place >= 0 && place <= 1);
  if (own.length) return own;
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
