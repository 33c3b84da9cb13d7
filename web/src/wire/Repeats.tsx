import { ChevronDown, ChevronRight, VolumeX } from "lucide-react";
import { useState } from "react";
import type { RepeatingRow, WireRow } from "../api/types";
import { PushButton } from "../ui/buttons";
import { clockTime } from "../ui/time";
import { Direction, From, Says } from "./Row";
import { look, mute } from "./view";

const COLUMNS =
  "grid-cols-[3.6rem_6rem_minmax(11rem,1.7fr)_3rem_minmax(7rem,1fr)_4rem_5rem_7.2rem_2rem] max-sm:grid-cols-[2rem_minmax(0,1.6fr)_minmax(0,1fr)_4.5rem] gap-x-3 max-xl:gap-x-2 max-xl:text-sm";

/** What comes again and again, folded into one row for each address, so that what somebody does stands out below. */
export function Repeats({
  repeating,
  onOpen,
}: {
  repeating: RepeatingRow[];
  onOpen: (row: WireRow) => void;
}) {
  const [open, setOpen] = useState(false);
  if (repeating.length === 0) return null;
  const rate = repeating.reduce((all, each) => all + each.perSecond, 0);
  const Icon = open ? ChevronDown : ChevronRight;
  return (
    <section aria-label="Repeating messages" className="mb-2 rounded border border-rule">
      <div className="flex items-center gap-3 px-2 py-1">
        <button
          type="button"
          aria-expanded={open}
          className="flex items-center gap-1 font-bold"
          onClick={() => setOpen(!open)}
        >
          <Icon size={18} aria-hidden /> {repeating.length} repeating
        </button>
        <span className="text-quiet">{rate.toFixed(0)} messages a second, folded</span>
        <PushButton className="ml-auto px-2! py-0!" onClick={() => look({ repeats: true })}>
          Show in the list
        </PushButton>
      </div>
      {open && (
        <ul className="max-h-64 overflow-auto border-t border-rule" aria-label="Repeating, one row each">
          {repeating.map(({ last, count, perSecond }) => (
            <li key={`${last.out} ${last.source} ${last.messages[0]?.address}`} className="flex items-center">
              <button
                type="button"
                className={`grid min-w-0 flex-1 ${COLUMNS} items-center border-b border-raised px-2 py-0.5 text-left font-mono whitespace-nowrap hover:bg-raised`}
                onClick={() => onOpen(last)}
              >
                <Direction out={last.out} />
                <From row={last} />
                <Says row={last} />
                <span className="text-right text-quiet max-sm:hidden">{count}</span>
                <span className="text-right text-quiet">{perSecond.toFixed(1)} /s</span>
                <span className="text-right text-quiet max-sm:hidden">{clockTime(last.atMillis)}</span>
              </button>
              <button
                type="button"
                className="p-1 text-quiet hover:text-bone"
                aria-label={`Mute ${last.messages[0]?.address ?? ""}`}
                title="Mute it here"
                onClick={() => mute(last.source, last.messages[0]?.address ?? "")}
              >
                <VolumeX size={18} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
