import type { Problem } from "../api/types";
import { EditField } from "./EditField";

/** The problems that concern a field; a problem without a field concerns all. */
export async function of(field: string, problems: Promise<Problem[]>): Promise<Problem[]> {
  const all = await problems;
  const mine = all.filter((p) => p.field === field);
  return mine.length ? mine : all;
}

interface NumberProps {
  label: string;
  value: number;
  whole?: boolean;
  onCommit: (value: number) => Promise<Problem[]>;
  className?: string;
}

/** A field for a number. Text that is no number never leaves the field. */
export function NumberField({ label, value, whole, onCommit, className }: NumberProps) {
  const offer = async (text: string): Promise<Problem[]> => {
    const number = Number(text.trim());
    if (text.trim() === "" || !Number.isFinite(number) || (whole && !Number.isInteger(number))) {
      const dotted = text.trim().replace(",", ".");
      const mend = !whole && text.includes(",") && Number.isFinite(Number(dotted)) ? dotted : null;
      return [{ part: null, field: "", message: `“${text}” is not a ${whole ? "whole " : ""}number`, mend }];
    }
    return onCommit(number);
  };
  return <EditField label={label} value={String(value)} onCommit={offer} mono className={className} />;
}
