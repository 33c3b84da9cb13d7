import { Play } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Problem, ProofPlan, ProofPlanLine, ProofWish } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { planOf, startProof } from "../requests/proof";
import { useLook } from "../requests/useLook";
import { cancelWork, newWork } from "../api/work";
import { PushButton } from "../ui/buttons";
import { Check, TextField } from "../ui/fields";
import { Select } from "../ui/Select";
import { Working } from "../ui/Working";
import { duration, plural } from "./verdicts";

const ALL = "all";
const TIMES = [
  { value: "3", text: "3 times: a quick look" },
  { value: "12", text: "12 times: finds a loss of 1 in 3 (99 %)" },
  { value: "299", text: "299 times: finds a loss of 1 in 100 (95 %)" },
];

type Which = ProofWish["which"];

/** Which lines, as their last proof tells; and what is said where there is none of these. */
const WHICH: { value: Which; text: string; none: string }[] = [
  { value: "ALL", text: "every line", none: "" },
  {
    value: "OPEN",
    text: "only what is not proved",
    none: "All of these lines are proved since they were changed last. Choose every line to prove them again.",
  },
  {
    value: "SHORT",
    text: "only what failed",
    none: "None of these lines failed in its last proof. Choose every line to prove them all again.",
  },
  {
    value: "CHANGED",
    text: "only what is changed or new",
    none: "None of these lines changed since its last proof, nor did its target or phrase.",
  },
];

/** How a plan is asked for, and the request that goes on: where another one is asked for, or nobody looks on, the one before ends. */
function useNewestPlan() {
  const [work, setWork] = useState<string | null>(null);
  const last = useRef<string | null>(null);
  const end = useCallback(() => last.current !== null && void cancelWork(last.current), []);
  useEffect(() => () => void end(), [end]);
  const look = useCallback(
    (wish: ProofWish) => {
      end();
      const mine = newWork();
      last.current = mine;
      setWork(mine);
      return planOf(wish, mine).finally(() => {
        if (last.current !== mine) return;
        last.current = null;
        setWork(null);
      });
    },
    [end],
  );
  return [look, work] as const;
}

/** Chooses lines and shows what would be sent, before it is. */
export function PlanView({ within, onStarted }: { within: string | null; onStarted: () => Promise<void> }) {
  const parts = useShow((s) => s.parts);
  const [page, setPage] = useState(within ?? ALL);
  const [target, setTarget] = useState(ALL);
  const [times, setTimes] = useState("12");
  const [attended, setAttended] = useState(false);
  const [which, setWhich] = useState<Which>("ALL");
  const [venues, setVenues] = useState<Record<string, string>>({});
  const [clear, setClear] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [starting, setStarting] = useState(false);

  const [attempt, setAttempt] = useState(0);
  const wish = useMemo<ProofWish>(
    () => ({
      within: page === ALL ? null : page,
      target: target === ALL ? null : target,
      lines: [],
      which,
      times: Number(times),
      attended,
      venues: Object.values(venues).filter(Boolean),
    }),
    // another attempt is another wish, though it says the same
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [page, target, which, times, attended, venues, attempt],
  );
  const [look, work] = useNewestPlan();
  const { found: plan, trouble, current } = useLook(wish, look);
  const none = plan?.lines.length === 0 ? WHICH.find((one) => one.value === which)?.none : "";
  const spoken = plan?.venues.some((venue) => venue.cleared) ?? false;

  const start = async () => {
    if (!plan) return;
    setStarting(true);
    const found = await startProof(wish, plan.token);
    setProblems(found);
    if (found.length === 0) await onStarted();
    setStarting(false);
  };

  return (
    <div className="mx-auto flex max-w-[84rem] flex-col gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-4 text-2xl font-bold">Prove</h1>
        <Select
          label="Lines of"
          className="w-48"
          value={page}
          onChange={setPage}
          options={[
            { value: ALL, text: "all pages and cues" },
            ...partsOf(parts, "layout")
              .filter((layout) => layout.part.body.draft === null)
              .map((layout) => ({ value: layout.part.id, text: `layout ${layout.part.body.name}` })),
            ...partsOf(parts, "page").map((one) => ({ value: one.part.id, text: one.part.body.name })),
            ...partsOf(parts, "cueList").map((one) => ({
              value: one.part.id,
              text: `cues ${one.part.body.name}`,
            })),
          ]}
        />
        <Select
          label="To target"
          className="w-36"
          value={target}
          onChange={setTarget}
          options={[
            { value: ALL, text: "all" },
            ...partsOf(parts, "target").map((one) => ({ value: one.part.id, text: one.part.body.name })),
          ]}
        />
        <Select<Which> label="Which" className="w-56" value={which} onChange={setWhich} options={WHICH} />
        <Select label="Each at least" className="w-80" value={times} onChange={setTimes} options={TIMES} />
        <Check
          label="Somebody attends, and answers questions"
          checked={attended}
          onChange={(yes) => {
            setAttended(yes);
          }}
        />
      </div>
      {trouble && (
        <p role="alert" className="flex items-center gap-3 text-fault">
          {trouble}
          <PushButton onClick={() => setAttempt(attempt + 1)}>Work it out again</PushButton>
        </p>
      )}
      {work && <Working key={work} what="Working out what would be sent" work={work} />}
      {none && !trouble && (
        <p role="status" className="text-lg text-quiet">
          {none}
        </p>
      )}
      {!plan && !trouble && !work && (
        <p role="status" className="text-lg text-quiet">
          Working out what would be sent …
        </p>
      )}
      {plan && !none && (
        <div className={current ? "" : "opacity-60"}>
          <Summary plan={plan} />
          {plan.venues.length > 0 && (
            <Venues
              plan={plan}
              typed={venues}
              onType={(id, name) => setVenues({ ...venues, [id]: name })}
              clear={clear}
              onClear={setClear}
            />
          )}
          <div className="my-3 flex flex-wrap items-center gap-4">
            <PushButton
              strong
              className="px-6! py-2.5! text-xl"
              disabled={!current || starting || nothingToDo(plan, attended) || (spoken && !clear)}
              onClick={() => void start()}
            >
              <Play size={20} aria-hidden /> Start the proof
            </PushButton>
            <span className="text-quiet">
              What stands at the targets is read first and put back afterwards. A hand, here or at the target,
              takes its line out. Meanwhile nothing that arrives steps a cue list or goes through a forward.
            </span>
          </div>
          {problems.map((problem) => (
            <p key={problem.message} role="alert" className="text-fault">
              {problem.message}
            </p>
          ))}
          <PlanLines lines={plan.lines} attended={attended} />
        </div>
      )}
    </div>
  );
}

/** Where a venue is not cleared, that something is listened to there is no reason to start. */
const nothingToDo = (plan: ProofPlan, attended: boolean) =>
  plan.runs + (attended ? plan.attended : 0) === 0 &&
  (plan.listens === 0 || plan.venues.some((venue) => !venue.cleared));

function Summary({ plan }: { plan: ProofPlan }) {
  return (
    <p role="status" className="text-xl">
      <b>{plural(plan.lines.length, "line")}</b>: {plan.runs} sent by{" "}
      {plan.runs === 1 ? "itself" : "themselves"}
      {plan.attended > 0 && `, ${plan.attended} only while somebody attends`}
      {plan.skipped > 0 && `, ${plan.skipped} not sent`}
      {plan.listens > 0 && `, ${plan.listens} only ${plan.listens === 1 ? "listens" : "listen"}`}.{" "}
      <span className="text-quiet">
        At most {plural(plan.messages, "message")}, about {duration(plan.seconds)}.
      </span>
    </p>
  );
}

interface VenuesProps {
  plan: ProofPlan;
  typed: Record<string, string>;
  onType: (target: string, name: string) => void;
  clear: boolean;
  onClear: (clear: boolean) => void;
}

/** A venue end is spoken to only once somebody typed its name and said that the stage is clear. */
function Venues({ plan, typed, onType, clear, onClear }: VenuesProps) {
  return (
    <section aria-label="At the venue" className="my-3 rounded-lg border-2 border-caution px-4 py-3">
      <h2 className="text-lg font-bold text-caution">
        {plan.venues.map((venue) => venue.name).join(", ")}: at the venue, not a stand-in
      </h2>
      <p className="text-quiet">
        Only values that can be read and put back are sent by themselves, near the present one, one at a time.
        Type the name of a target to include it.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        {plan.venues.map((venue) => (
          <div key={venue.target} className="w-44">
            <TextField
              label={`Name of ${venue.name}${venue.cleared ? ": included" : ""}`}
              value={typed[venue.target] ?? ""}
              onChange={(name) => onType(venue.target, name)}
            />
          </div>
        ))}
        {plan.venues.some((venue) => venue.cleared) && (
          <Check label="I looked: the stage is clear" checked={clear} onChange={onClear} />
        )}
      </div>
    </section>
  );
}

const WAYS = {
  RUNS: "sent",
  ATTENDED: "asked for",
  SKIPPED: "not sent",
  LISTENS: "listens",
} as const;

/** What is not sent by itself first, since that is what one wants to know. */
const FIRST = ["SKIPPED", "ATTENDED", "RUNS", "LISTENS"] as const;

const AT_FIRST = 100;

/** What would be sent, line by line. */
function PlanLines({ lines, attended }: { lines: ProofPlanLine[]; attended: boolean }) {
  const [all, setAll] = useState(false);
  const sorted = useMemo(() => FIRST.flatMap((way) => lines.filter((line) => line.way === way)), [lines]);
  const shown = all ? sorted : sorted.slice(0, AT_FIRST);
  if (lines.length === 0)
    return (
      <p className="text-lg text-quiet">
        No line is sent from here. Place phrases on a page in Layout, or choose other pages.
      </p>
    );
  return (
    <>
      <ul aria-label="Lines to prove">
        {shown.map((line) => (
          <li
            key={line.line}
            data-way={line.way}
            className="grid grid-cols-[6rem_6rem_minmax(11rem,1.2fr)_minmax(9rem,1fr)_minmax(10rem,1.4fr)] gap-3 border-b border-raised px-2 py-1 max-md:flex max-md:flex-wrap max-md:gap-y-0"
          >
            <span
              className={`font-bold ${line.way === "RUNS" ? "text-out" : line.way === "LISTENS" ? "text-in" : line.way === "ATTENDED" ? "text-caution" : "text-quiet"}`}
            >
              {line.way === "ATTENDED" && !attended ? "not sent" : WAYS[line.way]}
            </span>
            <span className="min-w-0 [overflow-wrap:anywhere]">{line.targetName || "nobody"}</span>
            <span className="min-w-0 font-mono [overflow-wrap:anywhere]">{line.address}</span>
            <span className="min-w-0 [overflow-wrap:anywhere]">
              {line.label} <span className="text-quiet">{line.page}</span>
            </span>
            <span className={`min-w-0 ${line.because ? "text-quiet" : "font-mono [overflow-wrap:anywhere]"}`}>
              {line.because || line.says}
            </span>
          </li>
        ))}
      </ul>
      {shown.length < sorted.length && (
        <button className="my-2 px-2 underline" onClick={() => setAll(true)}>
          Show all {sorted.length} lines
        </button>
      )}
    </>
  );
}
