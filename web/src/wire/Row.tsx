import { ArrowLeft, ArrowRight } from "lucide-react";
import type { WireRow } from "../api/types";
import { partOf, useShow } from "../live/show";
import { clockTime } from "../ui/time";
import { byWhom } from "./byWhom";

export const ROW_HEIGHT = 34;
export const COLUMNS =
  "grid-cols-[7.2rem_4.6rem_3.6rem_6rem_minmax(11rem,1.7fr)_3rem_minmax(7rem,1fr)_7rem_6.5rem] max-xl:text-sm gap-x-3 max-xl:gap-x-2 max-sm:grid-cols-[2rem_minmax(0,1.6fr)_minmax(0,1fr)_4.5rem]";
/** Not on a phone: the message whole has it. */
const WIDE = "max-sm:hidden";

/** How long after another packet one came, as short as it can be said. */
function distance(millis: number): string {
  if (millis < 1_000) return `+${millis.toFixed(millis < 99.95 ? 1 : 0)} ms`;
  return millis < 60_000 ? `+${(millis / 1_000).toFixed(1)} s` : `+${Math.round(millis / 60_000)} min`;
}

export const routeOf = (row: WireRow) =>
  row.out ? `${row.ourPort} → ${row.peer}` : `${row.ourPort} ← ${row.peer}`;

export function Headings() {
  return (
    <div className={`grid ${COLUMNS} border-b border-rule px-2 pb-1 text-sm text-quiet`}>
      <span className={WIDE}>time</span>
      <span className={`text-right ${WIDE}`}>after</span>
      <span>
        <span className="max-sm:sr-only">direction</span>
      </span>
      <span className={WIDE}>target</span>
      <span>address</span>
      <span className={WIDE}>types</span>
      <span>arguments</span>
      <span className={WIDE}>by</span>
      <span className="text-right">answer</span>
    </div>
  );
}

/** One packet. @param before the one below it in the list */
export function Row({
  row,
  before,
  onOpen,
}: {
  row: WireRow;
  before: WireRow | undefined;
  onOpen: (row: WireRow) => void;
}) {
  return (
    <button
      data-wire={row.out ? "out" : "in"}
      data-number={row.number}
      className={`grid w-full text-left ${COLUMNS} items-center border-b border-raised px-2 py-1 font-mono whitespace-nowrap hover:bg-raised`}
      title={`${routeOf(row)}, ${row.bytes} bytes`}
      onClick={() => onOpen(row)}
    >
      <span className={`text-quiet ${WIDE}`}>{clockTime(row.atMillis)}</span>
      <span className={`truncate text-right text-sm text-quiet ${WIDE}`}>
        {before && distance(row.atMillis - before.atMillis)}
      </span>
      <Direction out={row.out} />
      <From row={row} />
      <Says row={row} />
      <span className={`truncate font-sans text-quiet ${WIDE}`}>{row.out && byWhom(row)}</span>
      <span
        className={`truncate text-right ${row.unanswered ? "font-sans font-bold text-fault" : row.answer.endsWith("ms") ? "text-in" : "font-sans text-quiet"}`}
      >
        {row.answer}
      </span>
    </button>
  );
}

export function Direction({ out }: { out: boolean }) {
  const Icon = out ? ArrowRight : ArrowLeft;
  return (
    <span className={`flex items-center gap-1 font-sans font-bold ${out ? "text-out" : "text-in"}`}>
      <Icon size={18} className="flex-none" aria-hidden />{" "}
      <span className="max-sm:sr-only">{out ? "out" : "in"}</span>
    </span>
  );
}

export function From({ row }: { row: WireRow }) {
  const target = useShow((s) => partOf(s.parts, "target", row.target)?.part.body.name);
  return (
    <span
      className={`truncate font-sans ${WIDE} ${target ? "" : "text-caution"}`}
      title={target ? undefined : "unknown sender"}
    >
      {target ?? row.peer}
    </span>
  );
}

/** Address, types and arguments of a row, in three cells. */
export function Says({ row }: { row: WireRow }) {
  if (row.malformed)
    return (
      <span className="col-span-3 truncate font-sans text-fault max-sm:col-span-2">
        Not OSC at byte {row.malformed.offset}: {row.malformed.reason}
      </span>
    );
  const line = row.messages[0];
  const more = row.messages.length + row.more - 1;
  return (
    <>
      <span className="truncate">
        {line?.address ?? "empty bundle"}
        {more > 0 && <span className="font-sans text-quiet"> and {more} more</span>}
      </span>
      <span className={`truncate text-quiet ${WIDE}`}>{line?.typeTags}</span>
      <span className="truncate">
        {line?.arguments} {row.note && <span className="font-sans text-caution">{row.note}</span>}
      </span>
    </>
  );
}
