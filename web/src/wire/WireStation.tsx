import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowLeft, ArrowRight, Eraser, Pause, Play } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import type { WireRow } from "../api/types";
import { watch } from "../live/connection";
import { partOf, partsOf, useShow } from "../live/show";
import { useWire } from "../live/wire";
import { PushButton } from "../ui/buttons";
import { Select } from "../ui/Select";
import { clockTime } from "../ui/time";
import { Addresses } from "./Addresses";
import { byWhom } from "./byWhom";
import { ANYONE, type Filter, NO_FILTER, passes, UNCLAIMED } from "./filter";
import { WholePacket } from "./WholePacket";

const ROW_HEIGHT = 34;
const COLUMNS =
  "grid-cols-[7.5rem_4rem_7rem_15rem_1fr_4rem_1fr_7rem] max-xl:grid-cols-[6.2rem_3.4rem_5rem_12.5rem_minmax(11rem,1.6fr)_2.5rem_1fr_6rem] max-xl:gap-1.5! max-xl:text-sm";

const VIEWS = [
  { id: "list", text: "List" },
  { id: "addresses", text: "By address" },
] as const;

/** Everything that went out and came in, newest first, or by its address. */
export function WireStation() {
  const all = useWire((s) => s.rows);
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  /** The rows on the screen when it was paused; collecting goes on behind them. */
  const [held, setHeld] = useState<WireRow[] | null>(null);
  const [clearedTo, setClearedTo] = useState(0);
  const [opened, setOpened] = useState<WireRow | null>(null);
  const [view, setView] = useState<"list" | "addresses">("list");
  const [clearedAt, setClearedAt] = useState(0);
  const scroller = useRef<HTMLDivElement>(null);
  const source = held ?? all;
  const rows = useMemo(
    () => source.filter((row) => row.number > clearedTo && passes(row, filter)),
    [source, clearedTo, filter],
  );
  const newest = all.at(-1)?.number ?? 0;
  const missed = useShow((s) => s.missed);
  const waiting = held ? newest - (held.at(-1)?.number ?? 0) : 0;

  useEffect(() => {
    watch({ wire: true });
    return () => watch({ wire: false });
  }, []);

  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer keeps its own state on purpose
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 10,
  });

  return (
    <main className="flex min-w-0 flex-1 flex-col p-4">
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <h1 className="text-2xl font-bold">Wire</h1>
        <div role="tablist" aria-label="View" className="mr-auto flex gap-1">
          {VIEWS.map(({ id, text }) => (
            <button
              key={id}
              role="tab"
              aria-selected={view === id}
              className={`rounded px-3 py-1.5 text-lg font-bold ${view === id ? "bg-raised" : "text-quiet"}`}
              onClick={() => setView(id)}
            >
              {text}
            </button>
          ))}
        </div>
        <Filters filter={filter} onChange={setFilter} />
        {view === "list" && (
          <PushButton aria-pressed={held !== null} onClick={() => setHeld(held ? null : all)}>
            {held ? <Play size={16} aria-hidden /> : <Pause size={16} aria-hidden />}
            {held ? `Resume (${waiting} new)` : "Pause"}
          </PushButton>
        )}
        <PushButton
          onClick={() => {
            setClearedTo(source.at(-1)?.number ?? 0);
            setClearedAt(source.at(-1)?.atMillis ?? 0);
          }}
        >
          <Eraser size={16} aria-hidden /> Clear
        </PushButton>
      </div>
      {missed > 0 && (
        <p role="status" className="mb-2 rounded border border-caution px-3 py-1 text-caution">
          {missed} packets came faster than they could be handled here and are missing below. Ask the target
          that speaks most to report less often.
        </p>
      )}
      {view === "addresses" ? (
        <Addresses filter={filter} cleared={clearedAt} />
      ) : (
        <div className="flex min-h-0 flex-1 flex-col overflow-x-auto *:min-w-[56rem]">
          <div className={`grid ${COLUMNS} gap-3 border-b border-rule px-2 pb-1 text-sm text-quiet`}>
            <span>time</span>
            <span>direction</span>
            <span>target</span>
            <span>peer</span>
            <span>address</span>
            <span>types</span>
            <span>arguments</span>
            <span className="text-right">by / answered</span>
          </div>
          {rows.length === 0 ? (
            <p className="min-w-0! p-6 text-lg text-quiet">
              {source.length > 0 && filter !== NO_FILTER
                ? "Nothing passes the filter."
                : "Nothing yet. Touch a control in Run, or test a send in Layout, and it appears here with its answer."}
            </p>
          ) : (
            <div
              ref={scroller}
              className="min-h-0 flex-1 overflow-auto"
              role="log"
              aria-label="Messages, newest first"
            >
              <div className="relative" style={{ height: virtual.getTotalSize() }}>
                {virtual.getVirtualItems().map((item) => (
                  <div
                    key={item.key}
                    className="absolute inset-x-0"
                    style={{ top: item.start, height: ROW_HEIGHT }}
                  >
                    <Row row={rows[rows.length - 1 - item.index]!} onOpen={setOpened} />
                  </div>
                ))}
              </div>
            </div>
          )}
        </div>
      )}
      {opened && <WholePacket row={opened} onClose={() => setOpened(null)} />}
    </main>
  );
}

function Filters({ filter, onChange }: { filter: Filter; onChange: (filter: Filter) => void }) {
  const parts = useShow((s) => s.parts);
  return (
    <>
      <Select
        label="Target"
        className="w-36"
        value={filter.target}
        onChange={(target) => onChange({ ...filter, target })}
        options={[
          { value: ANYONE, text: "all" },
          ...partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name })),
          { value: UNCLAIMED, text: "unknown sender" },
        ]}
      />
      <Select<Filter["way"]>
        label="Direction"
        className="w-24"
        value={filter.way}
        onChange={(way) => onChange({ ...filter, way })}
        options={[
          { value: "both", text: "both" },
          { value: "out", text: "out" },
          { value: "in", text: "in" },
        ]}
      />
      <label className="text-sm text-quiet">
        Text
        <input
          className="block w-44 rounded border border-rule bg-ground px-2 py-1 font-mono text-base text-bone"
          value={filter.text}
          spellCheck={false}
          onChange={(e) => onChange({ ...filter, text: e.target.value })}
        />
      </label>
    </>
  );
}

function Row({ row, onOpen }: { row: WireRow; onOpen: (row: WireRow) => void }) {
  const target = useShow((s) => partOf(s.parts, "target", row.target)?.part.body.name);
  const Icon = row.out ? ArrowRight : ArrowLeft;
  const line = row.messages[0];
  const more = row.messages.length > 1 ? ` and ${row.messages.length - 1} more` : "";
  return (
    <button
      data-wire={row.out ? "out" : "in"}
      className={`grid w-full text-left ${COLUMNS} items-center gap-3 border-b border-raised px-2 py-1 font-mono whitespace-nowrap hover:bg-raised`}
      title="Show the whole message"
      onClick={() => onOpen(row)}
    >
      <span className="text-quiet">{clockTime(row.atMillis)}</span>
      <span className={`flex items-center gap-1 font-sans font-bold ${row.out ? "text-out" : "text-in"}`}>
        <Icon size={18} aria-hidden /> {row.out ? "out" : "in"}
      </span>
      <span className={`truncate font-sans ${target ? "" : "text-caution"}`}>
        {target ?? "unknown sender"}
      </span>
      <span className="truncate text-quiet">
        {row.out ? `${row.ourPort} → ${row.peer}` : `${row.ourPort} ← ${row.peer}`}
      </span>
      {row.malformed ? (
        <span className="col-span-4 truncate font-sans text-fault">
          Not OSC at byte {row.malformed.offset}: {row.malformed.reason}
        </span>
      ) : (
        <>
          <span className="truncate">
            {line?.address ?? "empty bundle"}
            {more}
          </span>
          <span className="truncate text-quiet">{line?.typeTags}</span>
          <span className="truncate">
            {line?.arguments} {row.note && <span className="font-sans text-caution">{row.note}</span>}
          </span>
          <span className={`truncate text-right ${row.out ? "font-sans text-quiet" : "text-in"}`}>
            {row.out
              ? byWhom(row)
              : row.answeredAfterMillis !== null && `${row.answeredAfterMillis.toFixed(1)} ms`}
          </span>
        </>
      )}
    </button>
  );
}
