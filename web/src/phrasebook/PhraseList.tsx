import { useVirtualizer } from "@tanstack/react-virtual";
import { Trash2 } from "lucide-react";
import { memo, useRef, useState } from "react";
import { change, remove } from "../requests/edits";
import { setValues } from "../requests/phrasebooks";
import type { Phrase, Problem } from "../api/types";
import type { HeldOf } from "../live/show";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { report } from "../ui/notices";
import { PhraseDetails } from "./PhraseDetails";
import { answerWords, directionWords, rangeWords, typeTags } from "./words";

const ROW = 44;
const COLUMNS = "grid grid-cols-[3fr_6rem_3.4rem_1.1fr_1.1fr_1.9fr_2.2rem] items-center gap-2 px-2";

/** Phrases as rows, of which only those on the screen are drawn. */
export const PhraseList = memo(function PhraseList({ phrases }: { phrases: HeldOf<Phrase>[] }) {
  const box = useRef<HTMLDivElement>(null);
  /** The row that the keyboard is in: what is typed there must outlive scrolling. */
  const typing = useRef("");
  const [detailed, setDetailed] = useState<string | null>(null);
  const shown = phrases.find((p) => p.part.id === detailed);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer keeps its own state on purpose
  const rows = useVirtualizer({
    count: phrases.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    getItemKey: (i) => phrases[i]!.part.id,
    overscan: 4,
  });
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-x-auto *:min-w-[46rem]">
      <div className={`${COLUMNS} border-b border-rule text-sm text-quiet`} aria-hidden>
        {["Address", "Who", "Types", "Values", "Answer", "Meaning"].map((title) => (
          <span key={title}>{title}</span>
        ))}
      </div>
      <div ref={box} className="min-h-0 flex-1 overflow-auto" data-phrases>
        <ul style={{ height: rows.getTotalSize(), position: "relative" }}>
          {rows.getVirtualItems().map((row) => (
            <li
              key={row.key}
              onFocus={() => (typing.current = phrases[row.index]!.part.id)}
              onBlur={() => (typing.current = "")}
              className="absolute inset-x-0"
              ref={rows.measureElement}
              data-index={row.index}
              style={{ transform: `translateY(${row.start}px)` }}
            >
              {rows.isScrolling && phrases[row.index]!.part.id !== typing.current ? (
                <PassingRow phrase={phrases[row.index]!.part.body} />
              ) : (
                <PhraseRow held={phrases[row.index]!} onDetails={setDetailed} />
              )}
            </li>
          ))}
        </ul>
        {phrases.length === 0 && <p className="p-4 text-quiet">No phrase matches.</p>}
      </div>
      {shown && <PhraseDetails held={shown} onClose={() => setDetailed(null)} />}
    </div>
  );
});

/** A row while it passes by: only to be read, so that thousands can pass without a stutter. */
function PassingRow({ phrase }: { phrase: Phrase }) {
  const box = "truncate rounded border border-rule bg-ground px-2 py-1";
  return (
    <div className={`${COLUMNS} py-1`}>
      <span className={`${box} font-mono`}>{phrase.address}</span>
      <span className={box}>{directionWords[phrase.direction]}</span>
      <span className={`${box} font-mono`}>{typeTags(phrase)}</span>
      <span className={box}>{rangeWords(phrase) || "\u00a0"}</span>
      <span className="truncate font-mono text-sm text-quiet">{answerWords(phrase)}</span>
      <span className={box}>{phrase.meaning || "\u00a0"}</span>
    </div>
  );
}

function PhraseRow({ held, onDetails }: { held: HeldOf<Phrase>; onDetails: (id: string) => void }) {
  const phrase = held.part.body;
  const id = held.part.id;
  const put = (field: string, update: (p: Phrase) => Phrase): Promise<Problem[]> =>
    of(field, change(`Change ${field.replace(/.*\//, "")} of ${phrase.address}`, "phrase", id, update));
  return (
    <div className={`${COLUMNS} py-1`} data-phrase={phrase.address}>
      <EditField
        label="Address"
        hideLabel
        mono
        value={phrase.address}
        onCommit={(address) => put("address", (p) => ({ ...p, address }))}
      />
      {/* the system's own list: hundreds of these pass by while the rows are scrolled */}
      <select
        aria-label="Direction"
        className="w-full rounded border border-rule bg-ground px-1 py-1"
        value={phrase.direction}
        onChange={(e) => {
          const direction = e.target.value as Phrase["direction"];
          void report(put("direction", (p) => ({ ...p, direction })));
        }}
      >
        {(["OUT", "IN", "BOTH"] as const).map((value) => (
          <option key={value} value={value}>
            {directionWords[value]}
          </option>
        ))}
      </select>
      <button
        aria-label={`Details of ${phrase.address}`}
        title="Arguments, answer, what masks it"
        className="rounded border border-rule px-1 py-1 text-left font-mono hover:bg-raised"
        onClick={() => onDetails(id)}
      >
        {typeTags(phrase)}
      </button>
      <EditField
        label="Values"
        hideLabel
        value={rangeWords(phrase)}
        onCommit={(text) => setValues(id, Math.max(0, phrase.arguments.length - 1), text)}
      />
      <span className="truncate font-mono text-sm text-quiet" title={answerWords(phrase)}>
        {answerWords(phrase)}
      </span>
      <EditField
        label="Meaning"
        hideLabel
        value={phrase.meaning}
        onCommit={(meaning) => put("meaning", (p) => ({ ...p, meaning }))}
      />
      <button
        aria-label={`Remove ${phrase.address}`}
        className="rounded p-1.5 text-quiet hover:text-bone"
        onClick={() => void report(remove(`Remove ${phrase.address}`, id))}
      >
        <Trash2 size={16} aria-hidden />
      </button>
    </div>
  );
}
