import { Check, ChevronDown } from "lucide-react";
import { Select as Radix } from "radix-ui";
import { useId } from "react";

interface Props<V extends string> {
  label: string;
  value: V;
  options: { value: V; text: string }[];
  onChange: (value: V) => void;
  className?: string;
  hideLabel?: boolean;
}

/** One of several, by mouse, touch or keyboard. */
export function Select<V extends string>({
  label,
  value,
  options,
  onChange,
  className = "",
  hideLabel,
}: Props<V>) {
  const id = useId();
  return (
    <div className={`min-w-0 ${className}`}>
      <label id={id} className={hideLabel ? "sr-only" : "block text-sm text-quiet"}>
        {label}
      </label>
      <Radix.Root value={value} onValueChange={(v) => onChange(v as V)}>
        <Radix.Trigger
          aria-labelledby={id}
          className="flex w-full items-center justify-between gap-1 rounded border border-rule bg-ground px-2 py-1 text-left leading-tight"
        >
          <span className="min-w-0 [overflow-wrap:anywhere]">
            <Radix.Value />
          </span>
          <ChevronDown size={16} className="flex-none" aria-hidden />
        </Radix.Trigger>
        <Radix.Portal>
          <Radix.Content
            position="popper"
            className="z-50 max-h-(--radix-select-content-available-height) rounded border border-rule bg-raised p-1 shadow-lg"
          >
            <Radix.Viewport>
              {options.map((option) => (
                <Radix.Item
                  key={option.value}
                  value={option.value}
                  className="flex cursor-default items-center gap-2 rounded px-2 py-1.5 outline-none data-highlighted:bg-select data-highlighted:text-ink"
                >
                  <span className="w-4">
                    <Radix.ItemIndicator>
                      <Check size={14} aria-hidden />
                    </Radix.ItemIndicator>
                  </span>
                  <Radix.ItemText>{option.text}</Radix.ItemText>
                </Radix.Item>
              ))}
            </Radix.Viewport>
          </Radix.Content>
        </Radix.Portal>
      </Radix.Root>
    </div>
  );
}
