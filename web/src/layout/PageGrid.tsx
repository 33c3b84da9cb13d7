import { ChevronLeft, ChevronRight, CopyCheck, Hand, TriangleAlert } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, type ReactNode, useEffect, useRef, useState } from "react";
import { shapeOf } from "../api/lines";
import type { Cell, Cells, Control, Page, Tray } from "../api/types";
import { useLook } from "../api/useLook";
import { CanvasOver } from "../controls/CanvasOver";
import { Seen } from "../controls/Seen";
import { browser } from "../live/browser";
import { type HeldOf, partOf, useShow } from "../live/show";
import { gridOf, placeOf } from "../run/CellGrid";
import { moveWindow, useTrays } from "../run/trays";
import { report } from "../ui/notices";
import { addControl, arrangeSelected } from "./actions";
import { BuildBar } from "./BuildBar";
import { calledOf, controlAt, type Grid, gridIn, type Laid, laidOn } from "../live/laid";
import { usePageLines } from "./pageLines";
import { useIsShaped } from "./screens";
import { select, toggle, useSelection } from "./selection";
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
  const lines = usePageLines(page.part.id);
  const findings = new Map<string, string[]>();
  for (const { control, findings: found } of lines)
    if (found.length)
      findings.set(control, [...(findings.get(control) ?? []), ...found.map((f) => f.message)]);
  const small = new Map(shape?.tooSmall.map((each) => [each.part, `${each.width} × ${each.height} px`]));
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
    const dragging = drag !== null && ids.includes(id) && drag.lay.has(id);
    return (
      <Handle
        key={id}
        held={held}
        cells={dragging ? dragged(drag.lay.get(id)!, drag) : held.part.body.cells}
        moving={dragging}
        selected={ids.includes(id)}
        small={small.get(id)}
        findings={findings.get(id)}
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
              if (placing) void report(addControl(page.part.id, placing, cell));
              else if (sowing) void placeHere(cell);
              else select();
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

interface HandleProps {
  held: Laid;
  cells: Cells;
  moving: boolean;
  selected: boolean;
  /** Its size on the screen that its page is meant for, where that is smaller than a finger needs. */
  small: string | undefined;
  /** What the phrasebooks of its targets say against its lines. */
  findings: string[] | undefined;
  onStart: (how: Drag["how"], e: PointerEvent) => void;
  /** Draws what lies in a tray. */
  inside: (held: Laid) => ReactNode;
}

/** What takes a control or a tray in Build: a drag moves the selection, the round corner resizes it, arrow keys do the same. */
function Handle({ held, cells, moving, selected, small, findings, onStart, inside }: HandleProps) {
  const { id, body } = held.part;
  const others = useShow((s) => s.presences)
    .filter((p) => p.browser !== browser.id && p.controls.includes(id))
    .map((p) => p.name);
  const parts = useShow((s) => s.parts);
  const control = controlAt(parts, held)?.part.body;
  const gated = useShow((s) => gatedWords(control, s));
  const kind = body.kind === "tray" ? "tray" : (control?.form.kind ?? "gone");

  const fresh = useSelection((s) => s.fresh === id);
  const element = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (fresh) element.current?.focus();
  }, [fresh]);

  const start = (e: PointerEvent, how: Drag["how"]) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    if (e.shiftKey || e.ctrlKey || e.metaKey) return toggle(id);
    if (!selected) select(id);
    onStart(how, e);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.target !== e.currentTarget) return;
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
      ref={element}
      role="button"
      tabIndex={0}
      aria-label={`${calledOf(parts, held)}, ${kind}`}
      aria-pressed={selected}
      data-build={id}
      className={`relative min-h-0 min-w-0 touch-none ${body.kind === "tray" ? "" : "p-[3px]"} ${moving ? "z-20 opacity-80" : ""} ${
        selected
          ? "z-10 outline-3 outline-select"
          : others.length
            ? "outline-2 outline-select outline-dashed"
            : ""
      }`}
      style={placeOf(cells)}
      onPointerDown={(e) => start(e, "move")}
      onKeyDown={onKeyDown}
    >
      {body.kind === "tray" ? (
        <TrayBuild id={id} tray={body} inside={inside} />
      ) : (
        <div className="pointer-events-none h-full">
          <Seen held={held} live={false} />
        </div>
      )}
      {others.length > 0 && (
        <span className="pointer-events-none absolute -top-2 left-1 z-20 rounded bg-select px-1.5 text-xs font-bold text-ink">
          {others.join(", ")}
        </span>
      )}
      {body.kind === "twin" && (
        <span
          className="pointer-events-none absolute right-0.5 bottom-0.5 z-20 rounded bg-rule p-0.5 text-bone"
          title="Shown again: the same control as on another page"
        >
          <CopyCheck size={14} aria-hidden />
        </span>
      )}
      {gated && (
        <span
          className="pointer-events-none absolute bottom-0.5 left-0.5 z-20 rounded bg-caution p-0.5 text-ink"
          title={gated}
        >
          <Hand size={14} role="img" aria-label={gated} />
        </span>
      )}
      {findings && (
        <span
          className="pointer-events-none absolute top-0.5 right-0.5 z-20 rounded bg-caution p-0.5 text-ink"
          title={findings.join("; ")}
        >
          <TriangleAlert size={14} role="img" aria-label={findings.join("; ")} />
        </span>
      )}
      {small && (
        <span
          className="pointer-events-none absolute top-0.5 left-0.5 z-20 rounded bg-caution px-1 text-xs font-bold text-ink"
          title={`Smaller than 44 px on the screen that this page is meant for: ${small}`}
        >
          {small}
        </span>
      )}
      {selected && (
        <div
          data-resize
          title="Drag to resize"
          className="absolute -right-2 -bottom-2 z-20 h-6 w-6 cursor-nwse-resize rounded-full border-2 border-ground bg-select"
          onPointerDown={(e) => start(e, "resize")}
        />
      )}
    </div>
  );
}

/** Which of the targets that a control sends to get nothing now, in words; empty where all of them get it. */
function gatedWords(
  control: Control | undefined,
  { parts, links }: Pick<ReturnType<typeof useShow.getState>, "parts" | "links">,
): string {
  const targets = new Set(control?.sends.map((send) => send.target));
  return [...targets]
    .flatMap((target) => {
      const gate = target ? links.get(target)?.gate : undefined;
      const name = partOf(parts, "target", target)?.part.body.name;
      return gate && gate !== "OPEN" ? [`${name}: ${GATE_WORDS[gate]}`] : [];
    })
    .join("; ");
}

const GATE_WORDS = {
  HELD: "held, nothing is sent by hand",
  SILENT: "silent, nothing is sent at all",
  REHEARSING: "rehearsal, nothing is sent",
};

/** A tray while it is built: what lies in it can be taken, its bare ground and its name take the tray. */
function TrayBuild({ id, tray, inside }: { id: string; tray: Tray; inside: HandleProps["inside"] }) {
  const parts = useShow((s) => s.parts);
  const first = useTrays((s) => s.windows.get(id) ?? 0);
  const bank = tray.columns > tray.cells.width;
  const last = tray.columns - tray.cells.width;
  const from = Math.min(first, last);
  return (
    <div className={`tray ${tray.popUp ? "tray-above" : ""}`}>
      <div
        className="relative isolate grid h-full"
        style={{
          ...gridOf(tray.columns, tray.cells.height),
          width: `${(100 * tray.columns) / tray.cells.width}%`,
          marginLeft: `${(-100 * from) / tray.cells.width}%`,
          clipPath: bank
            ? `inset(0 ${(100 * (last - from)) / tray.columns}% 0 ${(100 * from) / tray.columns}%)`
            : undefined,
        }}
      >
        <CanvasOver>{laidOn(parts, id).map(inside)}</CanvasOver>
      </div>
      <span className="pointer-events-none absolute -top-2.5 right-2 rounded bg-rule px-1.5 text-xs font-bold text-bone">
        {tray.name}
        {bank && ` (${tray.columns / tray.step} in all)`}
        {tray.popUp && " (pops up)"}
      </span>
      {bank && (
        <span
          className="absolute right-1 -bottom-3 z-20 flex gap-1"
          onPointerDown={(e) => e.stopPropagation()}
        >
          <WindowKey
            name={`${tray.name}: earlier`}
            gone={from === 0}
            onPress={() => moveWindow(id, Math.max(0, from - tray.step))}
            Icon={ChevronLeft}
          />
          <WindowKey
            name={`${tray.name}: later`}
            gone={from === last}
            onPress={() => moveWindow(id, Math.min(last, from + tray.step))}
            Icon={ChevronRight}
          />
        </span>
      )}
    </div>
  );
}

interface WindowKeyProps {
  name: string;
  gone: boolean;
  onPress: () => void;
  Icon: typeof ChevronLeft;
}

function WindowKey({ name, gone, onPress, Icon }: WindowKeyProps) {
  return (
    <button
      aria-label={name}
      disabled={gone}
      className="rounded bg-bone p-0.5 text-ink disabled:opacity-40"
      onClick={onPress}
    >
      <Icon size={18} aria-hidden />
    </button>
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
