import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowLeft, ArrowRight } from "lucide-react";
import { useEffect, useRef } from "react";
import type { WireRow } from "../api/types";
import { watch } from "../live/connection";
import { partOf, useShow } from "../live/show";
import { useWire } from "../live/wire";
import { clockTime } from "../ui/time";

const ROW_HEIGHT = 34;

/** Everything that went out and came in, newest first. */
export function WireStation() {
  const rows = useWire((s) => s.rows);
  const scroller = useRef<HTMLDivElement>(null);

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
      <h1 className="mb-2 text-2xl font-bold">Wire</h1>
      <div className="grid grid-cols-[7.5rem_4.5rem_8rem_15rem_1fr_5rem_1fr] gap-3 border-b border-rule px-2 pb-1 text-sm text-quiet">
        <span>time</span>
        <span>way</span>
        <span>target</span>
        <span>peer</span>
        <span>address</span>
        <span>types</span>
        <span>arguments</span>
      </div>
      {rows.length === 0 ? (
        <p className="p-6 text-lg text-quiet">
          Nothing yet. Touch a control in Run, or test a send in Layout, and it appears here with its answer.
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
                <Row row={rows[rows.length - 1 - item.index]!} />
              </div>
            ))}
          </div>
        </div>
      )}
    </main>
  );
}

function Row({ row }: { row: WireRow }) {
  const target = useShow((s) => partOf(s.parts, "target", row.target)?.part.body.name);
  const Icon = row.out ? ArrowRight : ArrowLeft;
  const line = row.messages[0];
  const more = row.messages.length > 1 ? ` and ${row.messages.length - 1} more` : "";
  return (
    <div
      data-wire={row.out ? "out" : "in"}
      className="grid grid-cols-[7.5rem_4.5rem_8rem_15rem_1fr_5rem_1fr] items-center gap-3 border-b border-raised px-2 py-1 font-mono whitespace-nowrap"
      title={row.hex}
    >
      <span className="text-quiet">{clockTime(row.atMillis)}</span>
      <span className={`flex items-center gap-1 font-sans font-bold ${row.out ? "text-out" : "text-in"}`}>
        <Icon size={18} aria-hidden /> {row.out ? "out" : "in"}
      </span>
      <span className={`truncate font-sans ${target ? "" : "text-caution"}`}>{target ?? "unclaimed"}</span>
      <span className="truncate text-quiet">
        {row.out ? `${row.ourPort} → ${row.peer}` : `${row.ourPort} ← ${row.peer}`}
      </span>
      {row.malformed ? (
        <span className="col-span-3 truncate font-sans text-fault">
          Not OSC at byte {row.malformed.offset}: {row.malformed.reason}
        </span>
      ) : (
        <>
          <span className="truncate">
            {line?.address ?? "empty bundle"}
            {more}
          </span>
          <span className="text-quiet">{line?.typeTags}</span>
          <span className="truncate">
            {line?.arguments} {row.note && <span className="font-sans text-caution">{row.note}</span>}
          </span>
        </>
      )}
    </div>
  );
}
