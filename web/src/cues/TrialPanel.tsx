import { Download, FlaskConical, OctagonX } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import type { CueList, CutOff, Problem, Trial, TrialCue, TrialWish } from "../api/types";
import { type HeldOf, useShow } from "../live/show";
import { beginTrial, cutTrial, stopTrial, trialAsCsv, trialOf, trialVenues } from "../requests/trial";
import { PushButton } from "../ui/buttons";
import { TextField } from "../ui/fields";
import { report } from "../ui/notices";
import { clockTime } from "../ui/time";
import { calledCue } from "./describe";

const RUNS_MS = 300;
const IDLE_MS = 2000;

const SPEEDS: { value: TrialWish["speed"]; text: string }[] = [
  { value: "OWN", text: "as in the show" },
  { value: "FOUR_TIMES", text: "4 × as fast" },
  { value: "FASTEST", text: "as fast as possible" },
];

/** Plays a list through, at its targets or in a rehearsal that nobody hears, and tells what became of each cue. */
export function TrialPanel({ list }: { list: HeldOf<CueList> }) {
  const id = list.part.id;
  const live = useShow((s) => s.live);
  const [now, setNow] = useState<Trial | null>(null);
  const [venues, setVenues] = useState<string[]>([]);
  const [rehearsed, setRehearsed] = useState(true);
  const [speed, setSpeed] = useState<TrialWish["speed"]>("OWN");
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [problems, setProblems] = useState<Problem[]>([]);
  const [trouble, setTrouble] = useState("");
  const [cut, setCut] = useState<CutOff | null>(null);

  const look = useCallback(
    () =>
      Promise.all([trialOf(id), trialVenues(id), cutTrial(id)]).then(
        ([found, spoken, cutOff]) => {
          setNow(found);
          setCut(cutOff);
          setVenues(spoken);
          setTrouble("");
        },
        (e: Error) => setTrouble(e.message),
      ),
    [id],
  );
  const runs = now?.running ?? false;
  useEffect(() => {
    void look();
    // another device may start one
    const timer = setInterval(() => void look(), runs ? RUNS_MS : IDLE_MS);
    return () => clearInterval(timer);
  }, [look, runs]);

  const start = async () => {
    const cleared = venues.filter((venue) => typed[venue]?.trim() === venue);
    setProblems(await beginTrial(id, { rehearsed, speed, venues: cleared }));
    await look();
  };
  const open = rehearsed ? [] : venues.filter((venue) => typed[venue]?.trim() !== venue);
  return (
    <aside
      aria-label="Trial"
      className="flex w-[34rem] flex-none flex-col gap-3 overflow-auto border-l border-rule p-3 max-lg:w-full max-lg:flex-1 max-lg:border-l-0"
    >
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {!runs && (
        <form
          className="flex flex-col gap-3 rounded border border-rule bg-panel p-3"
          onSubmit={(e) => {
            e.preventDefault();
            void start();
          }}
        >
          <p className="text-quiet">
            Plays the whole list once, and says go where a hand would. Afterwards it points where it does now.
          </p>
          <Choices
            legend="Where"
            options={[
              { value: "rehearsal", text: "In rehearsal", note: "nothing is sent, and it is over at once" },
              {
                value: "targets",
                text: "At the targets",
                note: live ? "messages leave, answers count" : "only in the live show",
                off: !live,
              },
            ]}
            value={rehearsed ? "rehearsal" : "targets"}
            onChange={(value) => setRehearsed(value === "rehearsal")}
          />
          <Choices
            legend="How fast"
            options={SPEEDS}
            value={speed}
            onChange={(value) => setSpeed(value as TrialWish["speed"])}
          />
          {!rehearsed &&
            venues.map((venue) => (
              <TextField
                key={venue}
                label={`${venue} is at the venue: type its name if its stage is clear`}
                value={typed[venue] ?? ""}
                onChange={(text) => setTyped({ ...typed, [venue]: text })}
              />
            ))}
          <PushButton strong type="submit" className="min-h-12 text-lg" disabled={open.length > 0}>
            <FlaskConical size={20} aria-hidden /> Start the trial
          </PushButton>
          {open.length > 0 && (
            <p className="text-sm text-caution">
              Or switch {open.join(" and ")} to {open.length === 1 ? "its stand-in" : "their stand-ins"} in
              the Rig.
            </p>
          )}
          {problems.map((problem) => (
            <p key={problem.message} role="alert" className="text-fault">
              {problem.message}
            </p>
          ))}
        </form>
      )}
      {cut && !now && (
        <p role="status" className="rounded border border-caution p-3 text-caution">
          A trial by {cut.by || "somebody"}, begun at {clockTime(cut.at)}, was cut off when the server ended,
          at cue {cut.cue}. Start it again to know the rest.
        </p>
      )}
      {now && <Result now={now} list={id} />}
    </aside>
  );
}

function Choices({
  legend,
  options,
  value,
  onChange,
}: {
  legend: string;
  options: { value: string; text: string; note?: string; off?: boolean }[];
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
      <legend className="text-sm text-quiet">{legend}</legend>
      {options.map((option) => (
        <label
          key={option.value}
          className={`flex min-h-11 items-center gap-2 ${option.off ? "opacity-45" : ""}`}
        >
          <input
            type="radio"
            name={legend}
            checked={value === option.value}
            disabled={option.off}
            onChange={() => onChange(option.value)}
          />
          <span>
            {option.text}
            {option.note && <span className="text-sm text-quiet"> {option.note}</span>}
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** What came of it, so far where it still runs. */
function Result({ now, list }: { now: Trial; list: string }) {
  return (
    <section aria-label="What came of it" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="text-xl font-bold">
          {now.running ? "Running" : now.rehearsed ? "Rehearsed" : "Played at the targets"}
        </h2>
        <span className="mr-auto text-quiet">
          {seconds(now.seconds)}, {SPEEDS.find((one) => one.value === now.speed)?.text}
          {now.by && `, ${now.by}`}
        </span>
        {now.running ? (
          <PushButton
            className="border-fault! min-h-11 font-bold text-fault"
            onClick={() => void report(stopTrial(list))}
          >
            <OctagonX size={18} aria-hidden /> Stop the trial
          </PushButton>
        ) : (
          <a className="contents" href={trialAsCsv(list)} download>
            <PushButton className="min-h-11" tabIndex={-1}>
              <Download size={18} aria-hidden /> CSV
            </PushButton>
          </a>
        )}
      </div>
      <p role="status" className="flex flex-wrap gap-x-4 text-lg">
        <span>
          <b>{now.cues.length}</b> {now.cues.length === 1 ? "cue" : "cues"} fired
        </span>
        <span className={now.fellShort > 0 ? "font-bold text-fault" : "text-quiet"}>
          {now.fellShort} fell short
        </span>
        <span className={now.open > 0 ? "text-caution" : "text-quiet"}>{now.open} open</span>
        <span className="text-in">{now.well} went well</span>
      </p>
      {now.end && !now.whole && (
        <p role="alert" className="text-caution">
          {now.end}. {now.left.length > 0 && `Not fired: ${now.left.join(", ")}.`}
        </p>
      )}
      {now.worstMs !== null && (
        <p className="text-sm text-quiet">
          Half of the lines left within {millis(now.medianMs ?? 0)} of when they were due, all of them within{" "}
          {millis(now.worstMs)}.
        </p>
      )}
      <ol className="flex flex-col gap-2">
        {now.cues.map((cue, i) => (
          <CueResult key={i} cue={cue} own={now.name} />
        ))}
      </ol>
    </section>
  );
}

const LOOKS = {
  WELL: { sign: "✓", look: "text-in" },
  SHORT: { sign: "✗", look: "text-fault" },
  OPEN: { sign: "■", look: "text-caution" },
} as const;

function CueResult({ cue, own }: { cue: TrialCue; own: string }) {
  return (
    <li data-trial-cue={cue.number} data-standing={cue.standing}>
      <p className="flex items-baseline gap-2">
        <span className="w-20 flex-none text-right font-mono text-sm text-quiet">{cue.at.toFixed(3)} s</span>
        <span className={LOOKS[cue.standing].look}>{LOOKS[cue.standing].sign}</span>
        <span className="font-bold">{calledCue(cue)}</span>
        {cue.list !== own && <span className="text-sm text-quiet">of {cue.list}</span>}
        {cue.actions.length === 0 && <span className="text-sm text-quiet">does nothing</span>}
      </p>
      <ul className="ml-22 text-sm">
        {cue.actions.map((action, i) => (
          <li key={i} data-outcome={action.outcome} className="flex gap-2">
            <span className={`flex-none ${LOOKS[action.standing].look}`}>
              {LOOKS[action.standing].sign} {action.word}
            </span>
            <span className="min-w-0 flex-1 break-words text-quiet">
              <span className="font-mono">{action.says}</span>
              {action.why && `: ${action.why}. ${action.mend ?? ""}`}
            </span>
            {action.lateMs !== null && (
              <span className="flex-none font-mono text-quiet">+{millis(action.lateMs)}</span>
            )}
          </li>
        ))}
      </ul>
    </li>
  );
}

const millis = (ms: number) => (ms >= 1000 ? seconds(ms / 1000) : `${ms.toFixed(ms < 10 ? 1 : 0)} ms`);

const seconds = (count: number) =>
  count < 60
    ? `${count.toFixed(count < 10 ? 1 : 0)} s`
    : `${Math.floor(count / 60)} min ${Math.round(count % 60)} s`;
