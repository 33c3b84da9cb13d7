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
      className="absolute top-0 right-0 z-10 grid size-11 place-items-start justify-items-end p-1"
      onClick={() => askWhy({ of: "control", id })}
    >
      <span
        aria-hidden
        className="grid size-7 place-items-center rounded bg-caution text-lg leading-none font-bold text-ink"
      >
        ?
      </span>
    </button>
  );
}
