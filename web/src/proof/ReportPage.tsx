import { Download, PenLine, Printer } from "lucide-react";
import { useMemo, useState } from "react";
import { useParams } from "react-router";
import type { Problem, ProofReport } from "../api/types";
import { browser } from "../live/browser";
import { reportAs, reportOf, reports, sign } from "../requests/proof";
import { useLook } from "../requests/useLook";
import { PushButton } from "../ui/buttons";
import { TextField } from "../ui/fields";
import { Select } from "../ui/Select";
import { dayAndTime } from "../ui/time";
import { ResultLines } from "./ResultLines";
import { duration, millis, plural } from "./verdicts";

/** A report whole: on the screen, on paper, and as files. */
export function ReportPage() {
  const { number = "" } = useParams();
  const [again, setAgain] = useState(0);
  return <Whole key={`${number} ${again}`} number={number} onSigned={() => setAgain(again + 1)} />;
}

/** Of the number and of another one's to compare it with. */
const compared = ([number, before]: readonly [string, string]) => reportOf(number, before);

function Whole({ number, onSigned }: { number: string; onSigned: () => void }) {
  const [before, setBefore] = useState("");
  const asked = useMemo(() => [number, before] as const, [number, before]);
  const { found: report, trouble } = useLook(asked, compared);
  if (!report)
    return (
      <main className="p-8 text-lg" role={trouble ? "alert" : "status"}>
        {trouble || "Reading the report …"}
      </main>
    );
  const failed = report.counts.failed;
  const silent = report.targets.filter((target) => target.failed);
  const bad = failed > 0 || silent.length > 0;
  const verdict = [
    failed > 0 && `${plural(failed, "line")} failed`,
    silent.length > 0 && silent.map((target) => `${target.name} ${target.word}`).join(", "),
  ]
    .filter(Boolean)
    .join(" · ");
  return (
    <main className="min-h-0 flex-1 overflow-auto px-5 py-4 max-md:px-2 print:bg-white print:text-black">
      <div className="mx-auto flex max-w-[84rem] flex-col gap-4">
        <div className="flex flex-wrap items-center gap-2">
          <h1 className="text-2xl font-bold">Report {report.number}</h1>
          <p className="min-w-0 flex-1 basis-72 text-quiet print:text-black">
            {report.show}, version {report.version}, {dayAndTime(new Date(report.startedAt).toISOString())}:{" "}
            {report.chosen}, {report.by || "somebody"}, {duration((report.endedAt - report.startedAt) / 1000)}
            {report.stopped && ", stopped before its end"}
          </p>
          <span className="flex gap-2 print:hidden">
            <PushButton onClick={() => window.print()}>
              <Printer size={16} aria-hidden /> Print
            </PushButton>
            {(["csv", "json", "xml"] as const).map((format) => (
              <a key={format} className="contents" href={reportAs(report.number, format)} download>
                <PushButton tabIndex={-1}>
                  <Download size={16} aria-hidden /> {format === "xml" ? "JUnit XML" : format.toUpperCase()}
                </PushButton>
              </a>
            ))}
          </span>
        </div>
        <p
          role="status"
          className={`rounded-lg border-2 px-4 py-2 text-2xl font-bold ${bad ? "border-fault text-fault" : "border-in text-in"}`}
        >
          {bad ? verdict : "Nothing failed"}
          <span className="ml-4 text-xl font-normal text-bone print:text-black">
            {report.counts.undecided} undecided, {report.counts.notTried} not tried, {report.counts.proved}{" "}
            proved
          </span>
        </p>
        <Signed report={report} onSigned={onSigned} />
        <Figures report={report} />
        <Changed report={report} onCompare={setBefore} />
        <section>
          <h2 className="mb-1 text-xl font-bold">Lines, failed first</h2>
          <ResultLines lines={report.lines} label="Lines of the report" />
        </section>
      </div>
    </main>
  );
}

function Signed({ report, onSigned }: { report: ProofReport; onSigned: () => void }) {
  const [name, setName] = useState(browser.name);
  const [note, setNote] = useState("");
  const [problems, setProblems] = useState<Problem[]>([]);
  if (report.signed)
    return (
      <p className="text-lg">
        <PenLine size={18} className="mr-2 inline" aria-hidden />
        Signed by <b>{report.signed.name}</b>, {dayAndTime(new Date(report.signed.at).toISOString())}
        {report.signed.note && `: ${report.signed.note}`}
      </p>
    );
  return (
    <div className="flex flex-wrap items-end gap-3 print:hidden">
      <div className="w-40">
        <TextField label="Signed by" value={name} onChange={setName} />
      </div>
      <div className="min-w-48 flex-1">
        <TextField label="Note" value={note} onChange={setNote} />
      </div>
      <PushButton
        onClick={() =>
          void sign(report.number, name, note).then((found) => {
            setProblems(found);
            if (found.length === 0) onSigned();
          })
        }
      >
        <PenLine size={16} aria-hidden /> Sign off
      </PushButton>
      {problems.map((problem) => (
        <p key={problem.message} role="alert" className="basis-full text-fault">
          {problem.message}
        </p>
      ))}
    </div>
  );
}

const CHANGED_AT_FIRST = 12;

function Changed({ report, onCompare }: { report: ProofReport; onCompare: (before: string) => void }) {
  const [all, setAll] = useState(false);
  const others = useLook("", reports).found?.filter((other) => other.number !== report.number) ?? [];
  if (report.before === null) return null;
  return (
    <section>
      <div className="flex flex-wrap items-end gap-x-4">
        <h2 className="text-xl font-bold">
          {report.changed.length === 0
            ? `No verdict is another one than in report ${report.before}`
            : `Changed since report ${report.before}`}
        </h2>
        {others.length > 1 && (
          <Select
            label="Compare with"
            className="w-64 print:hidden"
            value={String(report.before)}
            onChange={onCompare}
            options={others.map((other) => ({
              value: String(other.number),
              text: `report ${other.number}, ${dayAndTime(new Date(other.endedAt).toISOString())}`,
            }))}
          />
        )}
      </div>
      <ul aria-label="Changed verdicts">
        {(all ? report.changed : report.changed.slice(0, CHANGED_AT_FIRST)).map((line) => (
          <li
            key={`${line.page} ${line.label} ${line.address}`}
            className="flex flex-wrap gap-x-3 border-b border-raised py-0.5"
          >
            <span className={line.worse ? "font-bold text-caution" : "text-in"}>
              {line.before || "new"} → {line.after || "gone"}
            </span>
            <span>{line.targetName}</span>
            <span className="font-mono [overflow-wrap:anywhere]">{line.address}</span>
            <span className="text-quiet">
              {line.label}, {line.page}
            </span>
          </li>
        ))}
      </ul>
      {!all && report.changed.length > CHANGED_AT_FIRST && (
        <button className="my-2 px-2 underline" onClick={() => setAll(true)}>
          Show all {report.changed.length} changed verdicts
        </button>
      )}
    </section>
  );
}

const FIGURES =
  "grid grid-cols-[10rem_7rem_minmax(12rem,1fr)_6rem_6rem_6rem_6rem] gap-3 px-2 max-md:grid-cols-[5rem_4.5rem_1fr_4rem]";

function Figures({ report }: { report: ProofReport }) {
  const shown = (value: number | null) => (value === null ? "" : millis(value));
  if (report.targets.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 text-xl font-bold">Targets</h2>
      <div className={`${FIGURES} border-b border-rule text-sm text-quiet`}>
        <span>target</span>
        <span>result</span>
        <span>lost (95 % range)</span>
        <span className="text-right">median</span>
        <span className="text-right max-md:hidden" title="95 of 100 answers take no longer">
          95 %
        </span>
        <span
          className="text-right max-md:hidden"
          title="99 of 100 answers take no longer; told from 100 answers on"
        >
          99 %
        </span>
        <span className="text-right max-md:hidden">worst</span>
      </div>
      {report.targets.map((target) => (
        <div key={target.name} className={`${FIGURES} border-b border-raised py-1`}>
          <span className="font-bold">
            {target.name}{" "}
            <span className="text-sm font-normal whitespace-nowrap text-quiet">
              {target.standIn ? "stand-in" : "venue"}
            </span>
          </span>
          <span className={target.failed ? "font-bold text-fault" : ""}>{target.word}</span>
          <span>{target.loss}</span>
          <span className="text-right">{shown(target.median)}</span>
          <span className="text-right max-md:hidden">{shown(target.p95)}</span>
          <span className="text-right max-md:hidden">{shown(target.p99)}</span>
          <span className="text-right max-md:hidden">{shown(target.worst)}</span>
        </div>
      ))}
    </section>
  );
}
