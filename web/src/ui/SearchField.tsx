interface Props {
  label: string;
  /** What it says while it is empty. */
  hint: string;
  value: string;
  onChange: (value: string) => void;
  className?: string;
}

/** A field whose words decide what is shown, as they are typed. */
export function SearchField({ label, hint, value, onChange, className = "" }: Props) {
  return (
    <input
      type="search"
      aria-label={label}
      placeholder={hint}
      className={`min-w-0 rounded border border-rule bg-ground px-2 py-1 ${className}`}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
