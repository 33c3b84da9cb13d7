import type { ScaleMark } from "../api/types";

/** Points of a scale as they are written and read: 0 off; 0.562 0 dB; 1 +10. */
export const writtenMarks = (marks: ScaleMark[]) =>
  marks.map(({ value, text }) => `${value} ${text}`).join("; ");

/** Empty where a mark does not begin with a number. */
export function readMarks(text: string): ScaleMark[] | null {
  const marks = text
    .split(";")
    .filter((each) => each.trim())
    .map((each) => {
      const [, number = "", words = ""] = /^\s*(\S+)\s*(.*?)\s*$/.exec(each) ?? [];
      return { value: Number(number), text: words || number };
    });
  return marks.every(({ value }) => Number.isFinite(value)) ? marks : null;
}
