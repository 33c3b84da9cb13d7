import type { ButtonHTMLAttributes } from "react";

/** The common button: quiet steel, or bone for the one next step. */
export function PushButton({
  strong,
  className = "",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { strong?: boolean }) {
  const look = strong ? "bg-bone text-ink border-bone font-bold" : "bg-raised text-bone border-rule";
  return (
    <button
      type="button"
      className={`inline-flex items-center justify-center gap-2 rounded border px-3 py-1.5 disabled:opacity-45 ${look} ${className}`}
      {...rest}
    />
  );
}
