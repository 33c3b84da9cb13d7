import { type PointerEvent, useRef, useState } from "react";
import { useFound } from "../findings/findings";
import { shapeOf } from "../requests/lines";
import type { Cell, Cells, Page } from "../api/types";
import { useLook } from "../requests/useLook";
import { CanvasOver } from "../controls/CanvasOver";
import { type Grid, gridIn, type Laid, laidOn } from "../live/laid";
import { type HeldOf, useShow } from "../live/show";
import { gridOf } from "../run/CellGrid";
import { useTrays } from "../live/trays";
import { report } from "../ui/notices";
import { addControl, arrangeSelected } from "./actions";
import { BuildBar } from "./BuildBar";
import { Handle } from "./Handle";
import { useIsShaped } from "./screens";
import { select, useSelection } from "./selection";
import { placeTaken, useShelf } from "./shelf";

/** What a hand is doing with the selection before it lets go, in cells. */
interface Drag {
  /** What the hand took. */
  id: string;
  how: "move" | "resize";
  /** False once the hand has let go and the server is asked. */
  held: boolean;
  from: Cell;
  right: number;
  down: number;
  /** The cells on which it lies: those of the page, or of a tray. */
  grid: Grid;
  /** Where everything lay when the hand came, so that what others do meanwhile does not shake it. */
  lay: ReadonlyMap<string, Cells>;
}

/** The page while it is built: its cells are seen, its controls are taken by the hand and send nothing. */
export function PageGrid({ page }: { page: HeldOf<Page> }) {
  const parts = useShow((s) => s.parts);
  const ids = useSelection((s) => s.ids);
  const placing = useSelection((s) => s.placing);
  const sowing = useShelf((s) => s.taken.length > 0);
  const shown = useTrays((s) => s.shown);
  const preview = useIsShaped(page.part.body);
  const grid = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const { columns, rows } = page.part.body;
  const { found: shape } = useLook(page.part.id, shapeOf);
  const found = useFound((s) => s.byPart);
  const laid = laidOn(parts, page.part.id).filter(
    ({ part: { id, body } }) => body.kind !== "tray" || !body.popUp || shown.has(id) || ids.includes(id),
  );

  const placeHere = (cell: Cell) => report(placeTaken(page.part.id, cell).then((placed) => placed.problems));
  const cellAt = (e: { clientX: number; clientY: number }): Cell => {
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
    const taken = ids.flatMap((id) => drag.lay.get(id) ?? []);
    setDrag({
      ...drag,
      ...(drag.how === "move" ? keptOn(drag.grid, taken, right, down) : { right, down }),
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

  const handle = (held: Laid) => {
    const { id } = held.part;
    const shownAgain = held.part.body.kind === "twin" ? held.part.body.of : undefined;
    const dragging = drag !== null && ids.includes(id) && drag.lay.has(id);
    return (
      <Handle
        key={id}
        held={held}
        cells={dragging ? dragged(drag.lay.get(id)!, drag) : held.part.body.cells}
        moving={dragging}
        selected={ids.includes(id)}
        found={[...(found.get(id) ?? []), ...(shownAgain ? (found.get(shownAgain) ?? []) : [])]}
        onStart={(how, e) => {
          // the page keeps the pointer, for the control may be removed by somebody else under the hand
          grid.current!.setPointerCapture(e.pointerId);
          const siblings = laidOn(parts, held.part.parent!);
          const lay = new Map(siblings.map((c) => [c.part.id, c.part.body.cells]));
          const on = gridIn(parts, held.part.parent!);
          setDrag({ id, how, held: true, from: cellAt(e), right: 0, down: 0, grid: on, lay });
        }}
        inside={handle}
      />
    );
  };

  return (
    <div className="flex min-w-0 flex-1 flex-col bg-[repeating-linear-gradient(135deg,var(--color-caution)_0_10px,var(--color-ground)_10px_20px)] p-1.5 pt-0">
      <BuildBar page={page} />
      <div className="flex min-h-0 flex-1 justify-center" style={{ containerType: "size" }}>
        <div
          ref={grid}
          role="group"
          aria-label={`Page ${page.part.body.name}`}
          data-page={page.part.id}
          className={`relative isolate grid touch-none self-center bg-ground select-none ${placing || sowing ? "cursor-copy" : ""}`}
          style={{
            ...gridOf(columns, rows),
            ...(preview && shape
              ? {
                  aspectRatio: `${shape.width} / ${shape.height}`,
                  width: `min(100cqw, 100cqh * ${shape.width / shape.height})`,
                }
              : { width: "100%", height: "100%" }),
            backgroundImage:
              "linear-gradient(to right, var(--color-raised) 1px, transparent 1px), linear-gradient(to bottom, var(--color-raised) 1px, transparent 1px)",
            backgroundSize: `${100 / columns}% 100%, 100% ${100 / rows}%`,
          }}
          onDragOver={(e) => {
            if (sowing) e.preventDefault();
          }}
          onDrop={(e) => {
            e.preventDefault();
            void placeHere(cellAt(e));
          }}
          onPointerMove={onDrag}
          onPointerUp={() => void endDrag()}
          onPointerCancel={() => setDrag(null)}
        >
          <Ground
            cellAt={cellAt}
            onTap={(cell) => {
              // whoever places one means that one next, and no longer what was selected
              select();
              if (placing) void report(addControl(page.part.id, placing, cell));
              else if (sowing) void placeHere(cell);
            }}
            onBand={(band, more) => {
              const found = laid.filter((c) => overlap(c.part.body.cells, band)).map((c) => c.part.id);
              select(...new Set(more ? [...ids, ...found] : found));
            }}
          />
          <CanvasOver>{laid.map(handle)}</CanvasOver>
          {laid.length === 0 && (
            <p className="pointer-events-none col-span-full row-span-full self-center text-center text-lg text-quiet">
              An empty page. Take phrases or a control at the left, then tap a cell.
            </p>
          )}
        </div>
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

const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));

/** As far as all of them can go together. */
function keptOn(page: Grid, all: Cells[], right: number, down: number) {
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

/** Where something is drawn while a hand drags it; where it will lie is decided by the server. */
function dragged(cells: Cells, { how, right, down, grid }: Drag): Cells {
  return how === "move"
    ? { ...cells, column: cells.column + right, row: cells.row + down }
    : {
        ...cells,
        width: within(cells.width + right, 1, grid.columns - cells.column),
        height: within(cells.height + down, 1, grid.rows - cells.row),
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
