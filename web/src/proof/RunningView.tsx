import { Eye, EyeOff, FileText, OctagonX, RotateCcw, Send, Snowflake, SkipForward } from "lucide-react";
import { useEffect, useMemo } from "react";
import { Link } from "react-router";
import type { ProofAsking, ProofOrder, ProofRunning } from "../api/types";
import { order } from "../requests/proof";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { learnProved } from "./proved";
import { ResultLines } from "./ResultLines";
import { Counts, plural } from "./verdicts";

const PHASES = {
  READING: "Reading what stands at the targets",
  READ: "Writing down what stands at the targets",
  RUNNING: "Proving",
  ASKING: "A question for you",
  STOPPING: "Stopping: what was moved is put back",
  ENDED: "Ended",
} as const;

const ORDER = { SHORT: 0, UNDECIDED: 1, NOT_TRIED: 2, GOOD: 3 } as const;

/** A proof while it runs, and what came of it; on any device that looks, so that whoever sees the stage can answer. */
export function RunningView({
  now,
  look,
  onAgain,
}: {
  now: ProofRunning;
  look: () => Promise<void>;
  onAgain: () => void;
}) {
  const ended = now.phase === "ENDED";
  const kept = now.number !== null;
  useEffect(() => {
    if (kept) void learnProved();
  }, [kept]);
  const lines = useMemo(
    () => [...now.lines].sort((a, b) => ORDER[a.standing] - ORDER[b.standing]),
    [now.lines],
  );
  const say = (what: ProofOrder) => void report(order(what)).then(look);

  return (
    <div className="mx-auto flex max-w-[84rem] flex-col gap-3">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-bold">{PHASES[now.phase]}</h1>
        <p className="min-w-0 flex-1 text-quiet max-sm:order-last max-sm:basis-full">
          {now.chosen}, started by {now.by || "somebody"}
        </p>
        {ended ? (
          <>
            {now.number !== null && (
              <Link className="contents" to={`/proof/reports/${now.number}`}>
                <PushButton strong tabIndex={-1}>
                  <FileText size={18} aria-hidden /> Open report {now.number}
                </PushButton>
              </Link>
            )}
            <PushButton onClick={onAgain}>
              <RotateCcw size={18} aria-hidden /> Prove again
            </PushButton>
          </>
        ) : (
          <>
            <PushButton
              className="border-fault! px-5! py-2.5! text-lg font-bold text-fault"
              title="No more is sent, but for what releases and what puts back"
              disabled={now.phase === "STOPPING"}
              onClick={() => say("STOP")}
            >
              <OctagonX size={20} aria-hidden /> Stop
            </PushButton>
            <PushButton
              className="py-2.5!"
              title="No more is sent at all, but for what releases: what was moved stays"
              onClick={() => say("FREEZE")}
            >
              <Snowflake size={20} aria-hidden /> Freeze
            </PushButton>
          </>
        )}
      </div>
      {now.trouble && (
        <p role="alert" className="text-fault">
          {now.trouble}
        </p>
      )}
      <div
        role="progressbar"
        aria-label="Lines done"
        aria-valuenow={now.lines.length}
        aria-valuemax={now.total}
        className="h-3 w-full overflow-hidden rounded bg-raised"
      >
        <div
          className={`h-full ${now.counts.failed > 0 ? "bg-fault" : "bg-in"}`}
          style={{ width: `${(100 * now.lines.length) / Math.max(1, now.total)}%` }}
        />
      </div>
      <p role="status" className="flex flex-wrap gap-x-5 text-xl">
        <span>
          <b>{now.lines.length}</b> of {plural(now.total, "line")}
        </span>
        <Counts counts={now.counts} />
        <span className="text-quiet">{plural(now.said, "message")} sent</span>
      </p>
      {now.asking && <AskedFor asking={now.asking} say={say} />}
      {lines.length === 0 ? (
        <p className="text-lg text-quiet">Verdicts appear here, line by line.</p>
      ) : (
        <ResultLines lines={lines} label="Verdicts, what fell short first" />
      )}
    </div>
  );
}

/** One question about one line, large enough to be answered from a phone at the stage. */
function AskedFor({ asking, say }: { asking: ProofAsking; say: (what: ProofOrder) => void }) {
  const big = "flex-1 px-4! py-4! text-xl font-bold";
  return (
    <section
      aria-label="Question"
      className="rounded-lg border-4 border-select bg-panel px-5 py-4"
      data-question={asking.question}
    >
      <h2 className="text-2xl font-bold">
        {asking.question === "SEND"
          ? `Send “${asking.label}” now?`
          : `Did you see what “${asking.label}” does?`}
      </h2>
      <p className="mt-1 text-lg">
        {asking.targetName} <span className="font-mono">{asking.address}</span>{" "}
        <span className="font-mono text-out">{asking.says}</span>{" "}
        <span className="text-quiet">{asking.page}</span>
      </p>
      <p className="text-quiet">
        {asking.question === "SEND"
          ? `${asking.because}.`
          : `It was sent a moment ago, and ${asking.targetName} does not answer it.`}
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        {asking.question === "SEND" ? (
          <>
            <PushButton strong className={big} onClick={() => say("SEND")}>
              <Send size={22} aria-hidden /> Send it
            </PushButton>
            <PushButton className={big} onClick={() => say("LEAVE_OUT")}>
              <SkipForward size={22} aria-hidden /> Leave it out
            </PushButton>
          </>
        ) : (
          <>
            <PushButton strong className={big} onClick={() => say("SEEN")}>
              <Eye size={22} aria-hidden /> Yes, I saw it
            </PushButton>
            <PushButton className={big} onClick={() => say("NOT_SEEN")}>
              <EyeOff size={22} aria-hidden /> No, nothing
            </PushButton>
            {asking.again && (
              <PushButton className={big} onClick={() => say("SEND")}>
                <Send size={22} aria-hidden /> Send it again
              </PushButton>
            )}
          </>
        )}
      </div>
    </section>
  );
}
