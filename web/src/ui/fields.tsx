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
  hideLabel?: boolean;
}

/** A field for a number. Text that is no number never leaves the field. */
export function NumberField({ label, value, whole, onCommit, className, hideLabel }: NumberProps) {
  const offer = async (text: string): Promise<Problem[]> => {
    const number = Number(text.trim());
    if (text.trim() === "" || !Number.isFinite(number) || (whole && !Number.isInteger(number))) {
      const dotted = text.trim().replace(",", ".");
      const mend = !whole && text.includes(",") && Number.isFinite(Number(dotted)) ? dotted : null;
      return [{ part: null, field: "", message: `“${text}” is not a ${whole ? "whole " : ""}number`, mend }];
    }
    return onCommit(number);
  };
  return (
    <EditField
      label={label}
      value={String(value)}
      onCommit={offer}
      mono
      className={className}
      hideLabel={hideLabel}
    />
  );
}

interface OptionalNumberProps {
  label: string;
  value: number | null;
  /** The words for no number, such as "no limit". */
  none: string;
  onCommit: (value: number | null) => Promise<Problem[]>;
}

/** A field for a whole number or none; nothing, or words that begin with "no", mean none. */
export function OptionalNumberField({ label, value, none, onCommit }: OptionalNumberProps) {
  const offer = (text: string): Promise<Problem[]> => {
    const trimmed = text.trim();
    if (/^(no.*)?$/i.test(trimmed)) return onCommit(null);
    return Number.isInteger(Number(trimmed))
      ? onCommit(Number(trimmed))
      : Promise.resolve([{ part: null, field: "", message: `“${text}” is not a whole number`, mend: none }]);
  };
  return <EditField label={label} mono value={value === null ? none : String(value)} onCommit={offer} />;
}

interface TextProps {
  label: string;
  value: string;
  mono?: boolean;
  onChange: (value: string) => void;
}

/** A field whose text counts as it is typed. */
export function TextField({ label, value, mono, onChange }: TextProps) {
  return (
    <label className="block text-sm text-quiet">
      {label}
      <input
        className={`block w-full rounded border border-rule bg-ground px-2 py-1 text-base text-bone ${mono ? "font-mono" : ""}`}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

interface CheckProps {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  className?: string;
}

/** Something that is so or not. */
export function Check({ label, checked, onChange, className = "" }: CheckProps) {
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input type="checkbox" checked={checked} onChange={(e) => onChange(e.target.checked)} />
      {label}
    </label>
  );
}
