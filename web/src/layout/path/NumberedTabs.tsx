import { Plus } from "lucide-react";
import { type KeyboardEvent, useRef } from "react";

interface Props {
  /** What one of them is called, such as "Send". */
  name: string;
  count: number;
  chosen: number;
  onChoose: (index: number) => void;
  onAdd: () => void;
  /** Puts one at the place of another; left out where their order means nothing. */
  onMove?: (from: number, to: number) => void;
}

/** The sends or the listens of a control, in their order: one is looked at, one more is added, a drag or Alt with an arrow moves one. */
export function NumberedTabs({ name, count, chosen, onChoose, onAdd, onMove }: Props) {
  const dragged = useRef<number | null>(null);
  const move = (from: number, to: number) => {
    if (!onMove || to < 0 || to >= count || to === from) return;
    onMove(from, to);
    onChoose(to);
  };
  const onKeyDown = (e: KeyboardEvent, index: number) => {
    if (!onMove || !e.altKey || (e.key !== "ArrowLeft" && e.key !== "ArrowRight")) return;
    e.preventDefault();
    e.stopPropagation();
    const to = index + (e.key === "ArrowLeft" ? -1 : 1);
    move(index, to);
    const tabs = e.currentTarget.parentElement!.querySelectorAll<HTMLElement>("[data-tab]");
    tabs[to]?.focus();
  };
  return (
    <span className="flex flex-wrap items-center gap-1 font-normal">
      {Array.from({ length: count }, (_, index) => (
        <button
          key={index}
          data-tab
          aria-label={`${name} ${index + 1}`}
          aria-pressed={index === chosen}
          title={`${name} ${index + 1}${onMove && count > 1 ? ": drag it, or Alt with an arrow, to change the order" : ""}`}
          className={`min-w-7 rounded border bg-raised px-1.5 text-center ${index === chosen ? "border-select" : "border-rule text-quiet"}`}
          draggable={onMove !== undefined && count > 1}
          onClick={() => onChoose(index)}
          onKeyDown={(e) => onKeyDown(e, index)}
          onDragStart={(e) => {
            dragged.current = index;
            e.dataTransfer.effectAllowed = "move";
          }}
          onDragOver={(e) => {
            if (dragged.current !== null) e.preventDefault();
          }}
          onDrop={(e) => {
            e.preventDefault();
            if (dragged.current !== null) move(dragged.current, index);
          }}
          onDragEnd={() => {
            dragged.current = null;
          }}
        >
          {index + 1}
        </button>
      ))}
      <button
        aria-label={`Add ${name.toLowerCase()}`}
        title={`Add a ${name.toLowerCase()}`}
        className={`flex min-w-7 items-center justify-center gap-1 rounded border px-1.5 ${
          count === 0 ? "border-bone bg-bone font-bold text-ink" : "border-rule bg-raised"
        }`}
        onClick={onAdd}
      >
        <Plus size={16} aria-hidden /> {count === 0 && name.toLowerCase()}
      </button>
    </span>
  );
}
