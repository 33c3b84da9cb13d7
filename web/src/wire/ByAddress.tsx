import { ArrowLeft, ArrowRight, Copy, Eraser, VolumeX } from "lucide-react";
import type { AddressRow, WireQuery } from "../api/types";
import { partOf, useShow } from "../live/show";
import { useAgain } from "../requests/useAgain";
import { wireAddresses } from "../requests/wire";
import { PushButton } from "../ui/buttons";
import { Plot } from "./Plot";
import { PlotButton } from "./PlotButton";
import { Filters, Muted } from "./Filters";
import { mute, NO_QUERY, useView } from "./view";

const AGAIN_MS = 250;
const COLUMNS =
  "grid-cols-[4rem_7rem_minmax(12rem,1.4fr)_minmax(8rem,1fr)_8rem_9rem_4rem_5rem_4.5rem] max-sm:grid-cols-[2rem_1fr_6rem_3.5rem] max-sm:gap-1.5 items-center gap-3 px-2";

/** Who is at the other end, as the server names it. */
const sourceOf = (row: AddressRow) => row.target ?? row.peer;

const keyOf = (row: AddressRow) => `${row.out} ${row.target ?? row.peer} ${row.address}`;

const look = (asked: string) => wireAddresses(...(JSON.parse(asked) as [WireQuery, number]));

/** Everything that was said, one row for each address; what moved last stands at the top. */
export function ByAddress() {
  const { query, clearedAt } = useView();
  const { found, trouble } = useAgain(JSON.stringify([query, clearedAt]), look, AGAIN_MS);
  const shown = found?.rows ?? [];
  const more = found?.more ?? 0;
  const filtered = clearedAt > 0 || JSON.stringify({ ...query, repeats: false }) !== JSON.stringify(NO_QUERY);

  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <Filters problem={found?.problem ?? ""} list={false} />
        <span className="mr-auto" />
        <PushButton onClick={() => useView.setState({ clearedAt: Date.now() })}>
          <Eraser size={16} aria-hidden /> Clear
        </PushButton>
      </div>
      <Muted />
      {(found?.problem || trouble) && (
        <p role="alert" className="text-fault">
          {found?.problem || trouble}
        </p>
      )}
      <div className="flex min-h-0 flex-1 flex-col overflow-x-auto sm:*:min-w-[64rem]">
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
        {found !== null && shown.length === 0 ? (
          <p className="min-w-0! p-6 text-lg text-quiet">
            {filtered
              ? "Nothing passes the filter."
              : "Nothing yet. Move something at the far end, and its address appears here at the top."}
          </p>
        ) : (
          <ul className="min-h-0 flex-1 overflow-auto" aria-label="Addresses, what moved last first">
            {shown.map((row) => (
              <Row key={keyOf(row)} row={row} />
            ))}
            {more > 0 && (
              <li className="p-2 text-quiet">
                and {more} more addresses: type a part of one above to find it
              </li>
            )}
          </ul>
        )}
      </div>
    </>
  );
}

const short = (number: number) => Number(number.toPrecision(4)).toString();

function Row({ row }: { row: AddressRow }) {
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
        {row.low !== null && <PlotButton small out={row.out} source={sourceOf(row)} address={row.address} />}
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
          aria-label={`Mute ${row.address}`}
          title="Mute it here"
          onClick={() => mute(sourceOf(row), row.address)}
        >
          <VolumeX size={18} aria-hidden />
        </button>
      </span>
    </li>
  );
}
