import { useState } from "react";
import { Link } from "react-router";
import type { ProofLine } from "../api/types";
import { select } from "../layout/selection";
import { wayTo } from "../live/whereIs";
import { useShow } from "../live/show";
import { setStep } from "../requests/phrasebooks";
import { report } from "../ui/notices";
import { millis, VerdictWord } from "./verdicts";

const COLUMNS =
  "grid grid-cols-[9.5rem_6rem_minmax(11rem,1.2fr)_minmax(8rem,0.8fr)_minmax(12rem,1.6fr)_4.5rem] items-start gap-3 px-2 max-md:grid-cols-[1fr_auto] max-md:gap-x-2 max-md:gap-y-0";

/** So many at first: a thousand rows are drawn slowly, and nobody reads them. On paper all of them stand. */
const AT_FIRST = 200;

/** What came of each line, as they are given. */
export function ResultLines({ lines, label }: { lines: ProofLine[]; label: string }) {
  const [all, setAll] = useState(false);
  const shown = all ? lines : lines.slice(0, AT_FIRST);
  return (
    <div>
      <div className={`${COLUMNS} border-b border-rule pb-1 text-sm text-quiet max-md:hidden`}>
        <span>verdict</span>
        <span>target</span>
        <span>address</span>
        <span>control</span>
        <span>result</span>
        <span className="text-right">median</span>
      </div>
      <ul aria-label={label}>
        {shown.map((line) => (
          <Row key={line.line} line={line} />
        ))}
      </ul>
      {shown.length < lines.length && (
        <button className="my-2 px-2 underline" onClick={() => setAll(true)}>
          Show all {lines.length} lines
        </button>
      )}
    </div>
  );
}

function Row({ line }: { line: ProofLine }) {
  const parts = useShow((s) => s.parts);
  const where = wayTo(line.control, parts);
  const cause = line.causes[0];
  return (
    <li
      data-verdict={line.verdict}
      data-standing={line.standing}
      className={`${COLUMNS} border-b border-raised py-1.5 break-inside-avoid`}
    >
      <VerdictWord standing={line.standing} word={line.word} />
      <span className="min-w-0 [overflow-wrap:anywhere] max-md:text-right">
        {line.targetName || "nobody"}
        {!line.standIn && line.targetName && <span className="block text-sm text-caution">venue</span>}
      </span>
      <span className="min-w-0 font-mono [overflow-wrap:anywhere] max-md:col-span-2">{line.address}</span>
      <span className="min-w-0">
        {where ? (
          <Link className="underline" to={where} onClick={() => select(line.control)}>
            {line.label}
          </Link>
        ) : (
          line.label
        )}
        <span className="block text-sm text-quiet">{line.page}</span>
      </span>
      <span className="min-w-0 max-md:col-span-2">
        {line.says && <span className="block [overflow-wrap:anywhere]">{line.says}</span>}
        {cause && (
          <span className="block text-sm text-quiet">
            {line.rank === "CERTAIN" ? "" : line.rank === "LIKELY" ? "Likely: " : "Possible: "}
            {cause.says}
            {line.causes.length > 1 && `, or ${line.causes.length - 1} more that look the same`}.{" "}
            <b className="text-bone">{cause.mend}.</b>
          </span>
        )}
        {line.step !== null && line.target !== null && <SetStep line={line} />}
        {line.left && <span className="block text-sm text-caution">{line.left}</span>}
        {line.standing === "GOOD" && line.probes > 0 && (
          <span className="text-quiet">
            {line.answered} of {line.probes}
          </span>
        )}
        {line.extent && line.standing === "GOOD" && (
          <span className="block text-sm text-quiet">{line.extent}</span>
        )}
      </span>
      <span className="text-right text-quiet max-md:hidden">
        {line.median !== null && millis(line.median)}
      </span>
    </li>
  );
}

/** One press writes into the phrase what the proof found out of its target. */
function SetStep({ line }: { line: ProofLine }) {
  const { target, step, address } = line;
  return (
    <button
      className="mt-1 rounded border border-rule px-2 py-1 font-bold hover:bg-raised print:hidden"
      onClick={() => target !== null && step !== null && void report(setStep(target, address, step))}
    >
      Set this step in its phrase
    </button>
  );
}
