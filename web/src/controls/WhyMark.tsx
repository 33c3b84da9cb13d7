import { useCallback, useSyncExternalStore } from "react";
import { values } from "../live/values";
import { askWhy } from "../live/why";

/** On a control whose answer is missing: one press says why. */
export function WhyMark({ id }: { id: string }) {
  const unanswered = useSyncExternalStore(
    useCallback((listener: () => void) => values.subscribe(id, listener), [id]),
    () => values.get(id)?.unanswered ?? false,
  );
  if (!unanswered) return null;
  return (
    <button
      type="button"
      aria-label="Why no answer?"
      title="Why no answer?"
      className="absolute -top-2.5 -right-1.5 z-10 grid size-11 place-items-start justify-items-end"
      onClick={() => askWhy({ of: "control", id })}
    >
      <span
        aria-hidden
        className="grid size-5.5 place-items-center rounded bg-caution text-base leading-none font-bold text-ink"
      >
        ?
      </span>
    </button>
  );
}
