import { ArrowLeft, ArrowRight } from "lucide-react";
import { Link } from "react-router";
import type { WireRow } from "../api/types";
import { useShow } from "../live/show";
import { askWhy } from "../live/why";
import { clockTime } from "../ui/time";

/** The last message out, with what came of it, and the last message in, wherever you are; it opens into the Wire. */
export function Ticker() {
  const lastOut = useShow((s) => s.lastOut);
  const lastIn = useShow((s) => s.lastIn);
  return (
    <div className="flex min-h-11 items-center border-t border-rule bg-panel">
      <Link
        to="/wire"
        aria-label="Last messages"
        className="grid min-h-11 min-w-0 flex-1 grid-cols-2 items-center gap-2 px-3"
      >
        <Side row={lastOut} out />
        <Side row={lastIn} />
      </Link>
      {lastOut?.unanswered && lastOut.target && (
        <button
          type="button"
          className="mx-2 flex-none rounded border border-fault px-3 py-1 font-bold text-fault hover:text-bone"
          onClick={() => askWhy({ of: "target", id: lastOut.target! })}
        >
          Why?
        </button>
      )}
    </div>
  );
}

function Side({ row, out = false }: { row: WireRow | null; out?: boolean }) {
  const Icon = out ? ArrowRight : ArrowLeft;
  return (
    <span
      className={`flex min-w-0 items-center gap-2 font-mono ${out ? "text-out" : "text-in"}`}
      data-ticker={out ? "out" : "in"}
    >
      <Icon size={20} className="shrink-0" aria-hidden />
      <span className="font-sans font-bold">{out ? "out" : "in"}</span>
      {row?.note && <span className="flex-none font-sans font-bold text-caution">{row.note}</span>}
      {out && row?.unanswered && (
        <span className="flex-none font-sans font-bold text-fault">{row.answer}</span>
      )}
      <span className="truncate">
        {row ? (
          <>
            <span className="max-sm:hidden">{clockTime(row.atMillis)}</span> {sentence(row)}
          </>
        ) : out ? (
          "nothing sent yet"
        ) : (
          "nothing received yet"
        )}
      </span>
    </span>
  );
}

function sentence(row: WireRow): string {
  if (row.malformed) return `${row.peer}  no OSC: ${row.malformed.reason}`;
  const first = row.messages[0];
  return first ? `${first.address}  ${first.arguments}` : `${row.peer}  empty bundle`;
}
