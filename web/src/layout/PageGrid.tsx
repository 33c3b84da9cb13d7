import { Redo2, Undo2 } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { redo, undo } from "../api/edits";
import type { Cells, Control, Page } from "../api/types";
import { ControlView } from "../controls/ControlView";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { addControl, nameOf, removeControl, setCells } from "./actions";
import { select, useSelection } from "./selection";

/** The page while it is built: its cells are seen, its controls are taken by the hand and send nothing. */
export function PageGrid({ page }: { page: HeldOf<Page> }) {
  const parts = useShow((s) => s.parts);
  const selected = useSelection((s) => s.id);
  const placing = useSelection((s) => s.placing);
  const grid = useRef<HTMLDivElement>(null);
  const { columns, rows } = page.part.body;
  const controls = partsOf(parts, "control", page.part.id);

  const cellAt = (e: PointerEvent) => {
    const box = grid.current!.getBoundingClientRect();
    return {
      column: Math.floor(((e.clientX - box.left) / box.width) * columns),
      row: Math.floor(((e.clientY - box.top) / box.height) * rows),
    };
  };

  return (
    <div className="flex min-w-0 flex-1 flex-col bg-[repeating-linear-gradient(135deg,var(--color-caution)_0_10px,var(--color-ground)_10px_20px)] p-1.5 pt-0">
      <BuildBar />
      <div
        ref={grid}
        role="group"
        aria-label={`Page ${page.part.body.name}`}
        data-page={page.part.id}
        className={`grid min-h-0 flex-1 bg-ground ${placing ? "cursor-copy" : ""}`}
        style={{
          gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
          gridTemplateRows: `repeat(${rows}, minmax(0, 1fr))`,
          backgroundImage:
            "linear-gradient(to right, var(--color-raised) 1px, transparent 1px), linear-gradient(to bottom, var(--color-raised) 1px, transparent 1px)",
          backgroundSize: `${100 / columns}% 100%, 100% ${100 / rows}%`,
        }}
        onPointerDown={(e) => {
          if (e.target !== e.currentTarget) return;
          if (placing) void report(addControl(page, placing, cellAt(e)));
          else select(null);
        }}
      >
        {controls.map((held) => (
          <Handle
            key={held.part.id}
            held={held}
            page={page.part.body}
            selected={held.part.id === selected}
            cellAt={cellAt}
          />
        ))}
        {controls.length === 0 && (
          <p className="pointer-events-none col-span-full row-span-full self-center text-center text-lg text-quiet">
            An empty page. Choose a control at the left, then tap a cell.
          </p>
        )}
      </div>
    </div>
  );
}

/** Says in which mode we are, and takes the last step back. */
function BuildBar() {
  return (
    <div className="flex items-center gap-2 py-1">
      <strong className="rounded bg-caution px-3 py-0.5 text-ink">
        Build: touching a control sends nothing
      </strong>
      <span className="ml-auto flex gap-2">
        <PushButton className="py-0.5!" onClick={() => void report(undo())}>
          <Undo2 size={16} aria-hidden /> Undo
        </PushButton>
        <PushButton className="py-0.5!" onClick={() => void report(redo())}>
          <Redo2 size={16} aria-hidden /> Redo
        </PushButton>
      </span>
    </div>
  );
}

interface Drag {
  kind: "Move" | "Resize";
  from: { column: number; row: number };
}

interface HandleProps {
  held: HeldOf<Control>;
  page: Page;
  selected: boolean;
  cellAt: (e: PointerEvent) => { column: number; row: number };
}

/** What takes a control in Build: a drag moves it, its corner resizes it, arrow keys do the same. */
function Handle({ held, page, selected, cellAt }: HandleProps) {
  const { id, body } = held.part;
  const drag = useRef<Drag | null>(null);
  const [preview, setPreview] = useState<Cells | null>(null);
  const cells = preview ?? body.cells;

  const commit = async (how: "Move" | "Resize", right: number, down: number) => {
    if (right !== 0 || down !== 0)
      await report(setCells(held, how, (before) => moved(before, page, how, right, down)));
    setPreview(null);
  };

  const startDrag = (e: PointerEvent, kind: Drag["kind"]) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    select(id);
    drag.current = { kind, from: cellAt(e) };
  };
  const onPointerMove = (e: PointerEvent) => {
    if (!drag.current) return;
    const at = cellAt(e);
    setPreview(
      moved(
        body.cells,
        page,
        drag.current.kind,
        at.column - drag.current.from.column,
        at.row - drag.current.from.row,
      ),
    );
  };
  const onPointerUp = () => {
    if (drag.current && preview) {
      const b = body.cells;
      const move = drag.current.kind === "Move";
      void commit(
        drag.current.kind,
        move ? preview.column - b.column : preview.width - b.width,
        move ? preview.row - b.row : preview.height - b.height,
      );
    }
    drag.current = null;
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (way) void commit(e.shiftKey ? "Resize" : "Move", way[0]!, way[1]!);
    else if (e.key === "Delete" || e.key === "Backspace") void report(removeControl(held));
    else if (e.key === "Enter" || e.key === " ") select(id);
    else return;
    e.preventDefault();
  };

  return (
    <div
      role="button"
      tabIndex={0}
      aria-label={`${nameOf(body)}, ${body.form.kind}`}
      aria-pressed={selected}
      data-build={id}
      className={`relative min-h-0 min-w-0 touch-none p-[3px] ${preview ? "z-20 opacity-80" : ""} ${
        selected ? "z-10 outline-3 outline-select" : ""
      }`}
      style={{
        gridColumn: `${cells.column + 1} / span ${cells.width}`,
        gridRow: `${cells.row + 1} / span ${cells.height}`,
      }}
      onPointerDown={(e) => startDrag(e, "Move")}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onKeyDown={onKeyDown}
    >
      <div className="pointer-events-none h-full">
        <ControlView id={id} control={body} live={false} />
      </div>
      {selected && (
        <div
          data-resize
          title="Drag to resize"
          className="absolute -right-2 -bottom-2 h-6 w-6 cursor-nwse-resize rounded-full border-2 border-ground bg-select"
          onPointerDown={(e) => startDrag(e, "Resize")}
          onPointerMove={onPointerMove}
          onPointerUp={(e) => {
            e.stopPropagation();
            onPointerUp();
          }}
        />
      )}
    </div>
  );
}

/** The cells after a move or a resize, kept on the page. */
function moved(cells: Cells, page: Page, kind: Drag["kind"], right: number, down: number): Cells {
  const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));
  return kind === "Move"
    ? {
        ...cells,
        column: within(cells.column + right, 0, page.columns - cells.width),
        row: within(cells.row + down, 0, page.rows - cells.height),
      }
    : {
        ...cells,
        width: within(cells.width + right, 1, page.columns - cells.column),
        height: within(cells.height + down, 1, page.rows - cells.row),
      };
}
