import { ArrowLeft, ArrowRight, Copy, EyeOff } from "lucide-react";
import { useEffect, useState } from "react";
import type { AddressRow } from "../api/types";
import { partOf, useShow } from "../live/show";
import { wireAddresses } from "../requests/wire";
import { PushButton } from "../ui/buttons";
import { ANYONE, type Filter, UNCLAIMED } from "./filter";
import { Plot } from "./Plot";

const AGAIN_MS = 250;
const COLUMNS =
  "grid-cols-[4rem_7rem_minmax(12rem,1.4fr)_minmax(8rem,1fr)_8rem_9rem_4rem_5rem_4.5rem] max-sm:grid-cols-[2rem_1fr_6rem_3.5rem] max-sm:gap-1.5 items-center gap-3 px-2";

const keyOf = (row: AddressRow) => `${row.out} ${row.target ?? row.peer} ${row.address}`;

/** Everything that was said, one row for each address; what moved last stands at the top. */
export function Addresses({ filter, cleared }: { filter: Filter; cleared: number }) {
  const [rows, setRows] = useState<AddressRow[] | null>(null);
  const [trouble, setTrouble] = useState("");
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const { text } = filter;

  useEffect(() => {
    let wanted = true;
    let timer: ReturnType<typeof setTimeout>;
    const look = () =>
      wireAddresses(text)
        .then(
          (told) => {
            if (!wanted) return;
            setRows(told);
            setTrouble("");
          },
          (e: Error) => wanted && setTrouble(e.message),
        )
        .finally(() => {
          if (wanted) timer = setTimeout(() => void look(), AGAIN_MS);
        });
    void look();
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [text]);

  const passing = (rows ?? []).filter(
    (row) =>
      row.lastAt / 1e6 > cleared &&
      (filter.way === "both" || row.out === (filter.way === "out")) &&
      (filter.target === ANYONE ||
        (filter.target === UNCLAIMED ? row.target === null : row.target === filter.target)),
  );
  const shown = passing.filter((row) => !hidden.has(keyOf(row)));

  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-x-auto sm:*:min-w-[64rem]">
      {trouble && (
        <p role="alert" className="min-w-0! text-fault">
          {trouble}
        </p>
      )}
      {passing.length > shown.length && (
        <p role="status" className="mb-2 flex min-w-0! items-center gap-3 text-quiet">
          {passing.length - shown.length} hidden
          <PushButton className="px-2! py-0!" onClick={() => setHidden(new Set())}>
            Show all
          </PushButton>
        </p>
      )}
      <div className={`grid ${COLUMNS} border-b border-rule pb-1 text-sm text-quiet`}>
        <span>
          <span className="max-sm:sr-only">direction</span>
        </span>
        <span className="max-sm:hidden">target</span>
        <span>address</span>
        <span>last value</span>
        <span className="max-sm:hidden">so far</span>
        <span className="max-sm:hidden">range seen</span>
        <span className="text-right max-sm:hidden">count</span>
        <span className="text-right max-sm:hidden">per second</span>
        <span />
      </div>
      {rows !== null && shown.length === 0 ? (
        <p className="min-w-0! p-6 text-lg text-quiet">
          {passing.length > 0
            ? "All of it is hidden."
            : rows.length > 0
              ? "Nothing passes the filter."
              : "Nothing yet. Move something at the far end, and its address appears here at the top."}
        </p>
      ) : (
        <ul className="min-h-0 flex-1 overflow-auto" aria-label="Addresses, what moved last first">
          {shown.map((row) => (
            <Row
              key={keyOf(row)}
              row={row}
              onHide={() => setHidden((before) => new Set([...before, keyOf(row)]))}
            />
          ))}
        </ul>
      )}
    </div>
  );
}

const short = (number: number) => Number(number.toPrecision(4)).toString();

function Row({ row, onHide }: { row: AddressRow; onHide: () => void }) {
  const target = useShow((s) => partOf(s.parts, "target", row.target)?.part.body.name);
  const { moving } = row;
  const Icon = row.out ? ArrowRight : ArrowLeft;
  const colour = row.out ? "text-out" : "text-in";
  return (
    <li
      data-address={row.address}
      data-way={row.out ? "out" : "in"}
      data-moving={moving}
      className={`grid ${COLUMNS} border-b border-raised py-1 font-mono ${moving ? "bg-raised font-bold" : ""} ${row.restless ? "text-quiet" : ""}`}
    >
      <span className={`flex items-center gap-1 font-sans font-bold ${colour}`}>
        <Icon size={18} aria-hidden /> <span className="max-sm:sr-only">{row.out ? "out" : "in"}</span>
      </span>
      <span className={`truncate font-sans max-sm:hidden ${target ? "" : "text-caution"}`}>
        {target ?? row.peer}
      </span>
      <span className={`[overflow-wrap:anywhere] ${moving ? "text-lg" : ""}`}>{row.address}</span>
      <span className={`truncate ${moving ? "text-lg" : ""}`} title={`${row.typeTags} ${row.arguments}`}>
        {row.arguments || <span className="font-sans text-quiet">no argument</span>}
      </span>
      <span className={`max-sm:hidden ${colour}`}>
        {row.low !== null && row.high !== null && <Plot trail={row.trail} low={row.low} high={row.high} />}
      </span>
      <span className="truncate text-quiet max-sm:hidden">
        {row.low !== null && row.high !== null && `${short(row.low)} … ${short(row.high)}`}
      </span>
      <span className="text-right text-quiet max-sm:hidden">{row.count}</span>
      <span className="text-right text-quiet max-sm:hidden">{row.perSecond.toFixed(1)}</span>
      <span className="flex justify-end">
        <button
          type="button"
          className="p-1 text-quiet hover:text-bone"
          aria-label={`Copy ${row.address}`}
          title="Copy the address"
          onClick={() => void navigator.clipboard.writeText(row.address)}
        >
          <Copy size={18} aria-hidden />
        </button>
        <button
          type="button"
          className="p-1 text-quiet hover:text-bone"
          aria-label={`Hide ${row.address}`}
          title="Hide it here"
          onClick={onHide}
        >
          <EyeOff size={18} aria-hidden />
        </button>
      </span>
    </li>
  );
}
