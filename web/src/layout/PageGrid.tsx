import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Cell, Cells, Control, Page } from "../api/types";
import { ControlView } from "../controls/ControlView";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { report } from "../ui/notices";
import { addControl, arrangeSelected, nameOf } from "./actions";
import { BuildBar } from "./BuildBar";
import { select, toggle, useSelection } from "./selection";

/** What a hand is doing with the selection before it lets go, in cells. */
interface Drag {
  /** The control that the hand took. */
  id: string;
  how: "move" | "resize";
  /** False once the hand has let go and the server is asked. */
  held: boolean;
  from: Cell;
  right: number;
  down: number;
  /** Where everything lay when the hand came, so that what others do meanwhile does not shake it. */
  lay: ReadonlyMap<string, Cells>;
}

/** The page while it is built: its cells are seen, its controls are taken by the hand and send nothing. */
export function PageGrid({ page }: { page: HeldOf<Page> }) {
  const parts = useShow((s) => s.parts);
  const ids = useSelection((s) => s.ids);
  const placing = useSelection((s) => s.placing);
  const grid = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const { columns, rows } = page.part.body;
  const controls = partsOf(parts, "control", page.part.id);
  const taken = controls.filter((c) => ids.includes(c.part.id)).map((c) => c.part.body.cells);

  const cellAt = (e: PointerEvent): Cell => {
    const box = grid.current!.getBoundingClientRect();
    return {
      column: Math.floor(((e.clientX - box.left) / box.width) * columns),
      row: Math.floor(((e.clientY - box.top) / box.height) * rows),
    };
  };

  const onDrag = (e: PointerEvent) => {
    if (!drag?.held) return;
    const at = cellAt(e);
    const right = at.column - drag.from.column;
    const down = at.row - drag.from.row;
    setDrag({
      ...drag,
      ...(drag.how === "move" ? keptOn(page.part.body, taken, right, down) : { right, down }),
    });
  };
  const endDrag = async () => {
    if (!drag?.held) return;
    const { id, how, right, down } = drag;
    setDrag({ ...drag, held: false });
    if (right !== 0 || down !== 0)
      await report(
        arrangeSelected(
          how === "move" ? { what: "move", right, down } : { what: "resize", wider: right, taller: down },
        ),
      );
    // a tap on one of several means that one
    else select(id);
    setDrag(null);
  };

  return (
    <div className="flex min-w-0 flex-1 flex-col bg-[repeating-linear-gradient(135deg,var(--color-caution)_0_10px,var(--color-ground)_10px_20px)] p-1.5 pt-0">
      <BuildBar page={page} />
      <div
        ref={grid}
        role="group"
        aria-label={`Page ${page.part.body.name}`}
        data-page={page.part.id}
        className={`relative grid min-h-0 flex-1 touch-none select-none bg-ground ${placing ? "cursor-copy" : ""}`}
        style={{
          gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
          gridTemplateRows: `repeat(${rows}, minmax(0, 1fr))`,
          backgroundImage:
            "linear-gradient(to right, var(--color-raised) 1px, transparent 1px), linear-gradient(to bottom, var(--color-raised) 1px, transparent 1px)",
          backgroundSize: `${100 / columns}% 100%, 100% ${100 / rows}%`,
        }}
        onPointerMove={onDrag}
        onPointerUp={() => void endDrag()}
        onPointerCancel={() => setDrag(null)}
      >
        <Ground
          cellAt={cellAt}
          onTap={(cell) => (placing ? void report(addControl(page, placing, cell)) : select())}
          onBand={(band, more) => {
            const found = controls.filter((c) => overlap(c.part.body.cells, band)).map((c) => c.part.id);
            select(...new Set(more ? [...ids, ...found] : found));
          }}
        />
        {controls.map((held) => (
          <Handle
            key={held.part.id}
            held={held}
            cells={
              drag && ids.includes(held.part.id)
                ? dragged(drag.lay.get(held.part.id) ?? held.part.body.cells, page.part.body, drag)
                : held.part.body.cells
            }
            moving={drag !== null && ids.includes(held.part.id)}
            selected={ids.includes(held.part.id)}
            onStart={(how, e) => {
              // the page keeps the pointer, for the control may be removed by somebody else under the hand
              grid.current!.setPointerCapture(e.pointerId);
              const lay = new Map(controls.map((c) => [c.part.id, c.part.body.cells]));
              setDrag({ id: held.part.id, how, held: true, from: cellAt(e), right: 0, down: 0, lay });
            }}
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

interface GroundProps {
  cellAt: (e: PointerEvent) => Cell;
  onTap: (cell: Cell) => void;
  onBand: (band: Cells, more: boolean) => void;
}

/** The bare page beneath the controls: a tap places or deselects, a drag draws a band around what it selects. */
function Ground({ cellAt, onTap, onBand }: GroundProps) {
  const from = useRef<Cell | null>(null);
  const [band, setBand] = useState<Cells | null>(null);
  const letGo = () => {
    from.current = null;
    setBand(null);
  };
  return (
    <>
      <div
        data-ground
        className="absolute inset-0"
        onPointerDown={(e) => {
          if (e.button !== 0) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          from.current = cellAt(e);
        }}
        onPointerMove={(e) => {
          if (!from.current) return;
          const at = cellAt(e);
          const moved = at.column !== from.current.column || at.row !== from.current.row;
          if (moved || band) setBand(between(from.current, at));
        }}
        onPointerUp={(e) => {
          if (band) onBand(band, e.shiftKey || e.ctrlKey || e.metaKey);
          else if (from.current) onTap(from.current);
          letGo();
        }}
        onPointerCancel={letGo}
      />
      {band && (
        <div
          className="pointer-events-none z-20 border-2 border-dashed border-select"
          style={{
            gridColumn: `${Math.max(0, band.column) + 1} / span ${band.width}`,
            gridRow: `${Math.max(0, band.row) + 1} / span ${band.height}`,
          }}
        />
      )}
    </>
  );
}

interface HandleProps {
  held: HeldOf<Control>;
  cells: Cells;
  moving: boolean;
  selected: boolean;
  onStart: (how: Drag["how"], e: PointerEvent) => void;
}

/** What takes a control in Build: a drag moves the selection, the round corner resizes it, arrow keys do the same. */
function Handle({ held, cells, moving, selected, onStart }: HandleProps) {
  const { id, body } = held.part;

  const start = (e: PointerEvent, how: Drag["how"]) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    if (e.shiftKey || e.ctrlKey || e.metaKey) return toggle(id);
    if (!selected) select(id);
    onStart(how, e);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (way && !e.ctrlKey && !e.metaKey && !e.altKey) {
      if (!selected) select(id);
      const [right, down] = way as [number, number];
      void report(
        arrangeSelected(
          e.shiftKey ? { what: "resize", wider: right, taller: down } : { what: "move", right, down },
        ),
      );
    } else if (e.key === " ") toggle(id);
    else if (e.key === "Enter") {
      select(id);
      // the path is drawn with the next frame
      requestAnimationFrame(() =>
        document.querySelector<HTMLElement>("[data-path] input, [data-path] button")?.focus(),
      );
    } else return;
    e.preventDefault();
  };

  return (
    <div
      role="button"
      tabIndex={0}
      aria-label={`${nameOf(body)}, ${body.form.kind}`}
      aria-pressed={selected}
      data-build={id}
      className={`relative min-h-0 min-w-0 touch-none p-[3px] ${moving ? "z-20 opacity-80" : ""} ${
        selected ? "z-10 outline-3 outline-select" : ""
      }`}
      style={{
        gridColumn: `${cells.column + 1} / span ${cells.width}`,
        gridRow: `${cells.row + 1} / span ${cells.height}`,
      }}
      onPointerDown={(e) => start(e, "move")}
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
          onPointerDown={(e) => start(e, "resize")}
        />
      )}
    </div>
  );
}

const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));

/** As far as all of them can go together. */
function keptOn(page: Page, all: Cells[], right: number, down: number) {
  const end = (of: (c: Cells) => number) => Math.max(...all.map(of));
  return {
    right: within(
      right,
      -Math.min(...all.map((c) => c.column)),
      page.columns - end((c) => c.column + c.width),
    ),
    down: within(down, -Math.min(...all.map((c) => c.row)), page.rows - end((c) => c.row + c.height)),
  };
}

/** Where a control is drawn while a hand drags it; where it will lie is decided by the server. */
function dragged(cells: Cells, page: Page, { how, right, down }: Drag): Cells {
  return how === "move"
    ? { ...cells, column: cells.column + right, row: cells.row + down }
    : {
        ...cells,
        width: within(cells.width + right, 1, page.columns - cells.column),
        height: within(cells.height + down, 1, page.rows - cells.row),
      };
}

function between(a: Cell, b: Cell): Cells {
  const column = Math.min(a.column, b.column);
  const row = Math.min(a.row, b.row);
  return {
    column,
    row,
    width: Math.abs(a.column - b.column) + 1,
    height: Math.abs(a.row - b.row) + 1,
  };
}

function overlap(a: Cells, b: Cells): boolean {
  return (
    a.column < b.column + b.width &&
    b.column < a.column + a.width &&
    a.row < b.row + b.height &&
    b.row < a.row + a.height
  );
}
