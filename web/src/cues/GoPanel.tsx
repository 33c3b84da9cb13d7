import { Pause, Play, RotateCcw, SkipBack, Square } from "lucide-react";
import { useEffect } from "react";
import type { Cue, CueList } from "../api/types";
import { Remaining } from "../live/Remaining";
import { type HeldOf, partOf, useShow } from "../live/show";
import { useGuarded } from "../live/useGuarded";
import { stepCues, stopAll } from "../requests/cues";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { isMeantElsewhere } from "../ui/keys";
import { calledCue, describeAction, describeFollow } from "./describe";

/** What takes less is not noticed. */
const FELT_S = 0.1;

/** What is next, with the state of its targets; the key to fire it; what runs, and what became of what ran. */
export function GoPanel({ list, cues }: { list: HeldOf<CueList>; cues: HeldOf<Cue>[] }) {
  const parts = useShow((s) => s.parts);
  const links = useShow((s) => s.links);
  const live = useShow((s) => s.live);
  const told = useShow((s) => s.cues.get(list.part.id));
  const state = told?.state;
  const id = list.part.id;
  const guarded = useGuarded(told);
  const next = cues.find((cue) => cue.part.id === state?.next);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e) || e.repeat || e.ctrlKey || e.altKey || e.metaKey) return;
      const deed = { " ": "GO", Backspace: "BACK", p: "PAUSE", s: "STOP", "0": "RESET" }[e.key] as
        "GO" | "BACK" | "PAUSE" | "STOP" | "RESET" | undefined;
      if (!deed) return;
      e.preventDefault();
      // a button that was pressed last would be pressed again by the space bar
      (document.activeElement as HTMLElement | null)?.blur();
      const now = useShow.getState().cues.get(id)?.state;
      if (deed === "PAUSE") stepCues(id, now?.paused ? "RESUME" : "PAUSE");
      else stepCues(id, deed, deed === "GO" ? (now?.next ?? null) : null);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [id]);

  const targets = state?.targets ?? [];
  const wrong = targets.filter((t) => !isWell(links.get(t)));
  return (
    <aside
      aria-label="Go"
      className="flex min-h-0 w-[30rem] max-xl:w-96 flex-none flex-col gap-3 overflow-auto border-l border-rule p-3 max-lg:w-full max-lg:flex-1 max-lg:border-t max-lg:border-l-0 print:hidden"
    >
      <section aria-label="Next cue" className="rounded border border-rule bg-panel p-3">
        <p className="text-sm text-quiet">Next</p>
        {next ? (
          <>
            <p className="text-2xl font-bold">{calledCue(next.part.body)}</p>
            {next.part.body.note && <p className="text-quiet">{next.part.body.note}</p>}
            <ul className="mt-1 max-h-40 overflow-auto font-mono text-sm">
              {next.part.body.actions.length === 0 && <li className="font-sans text-quiet">Does nothing</li>}
              {next.part.body.actions.map((action, i) => (
                <li key={i}>
                  {action.delay > 0 && <span className="text-quiet">+{action.delay} s </span>}
                  {describeAction(parts, action)}
                </li>
              ))}
            </ul>
            <p className="text-sm text-caution">{describeFollow(next.part.body.follow)}</p>
            {state?.slowest && state.slowest.seconds >= FELT_S && (
              <p className="text-sm text-caution">
                {partOf(parts, "target", state.slowest.target)?.part.body.name} needs{" "}
                {state.slowest.seconds.toFixed(1)} s for its {state.slowest.messages} messages
              </p>
            )}
            <ul aria-label="Its targets" className="mt-1 flex flex-wrap gap-x-3 text-sm">
              {targets.map((target) => (
                <li key={target} className={wrong.includes(target) ? "text-fault" : "text-in"}>
                  {wrong.includes(target) ? "✗" : "✓"} {partOf(parts, "target", target)?.part.body.name}{" "}
                  {wrong.includes(target) && stateWords(links.get(target))}
                </li>
              ))}
            </ul>
          </>
        ) : (
          <p className="text-xl text-quiet">{cues.length === 0 ? "No cue yet" : "The end of the list"}</p>
        )}
      </section>
      <div className="grid flex-none grid-cols-[1fr_2fr] gap-3 max-lg:order-first">
        <button
          className="flex min-h-24 flex-col items-center justify-center gap-1 rounded border border-rule bg-raised text-lg disabled:opacity-45"
          disabled={!live}
          onClick={() => stepCues(id, "BACK")}
        >
          <SkipBack size={24} aria-hidden /> Back
        </button>
        <button
          className="min-h-24 rounded bg-bone text-4xl font-bold text-ink disabled:opacity-45"
          disabled={!live || !next || guarded}
          onClick={() => stepCues(id, "GO", state?.next ?? null)}
        >
          Go
        </button>
      </div>
      <div className="flex flex-wrap gap-2">
        <PushButton
          className="min-h-11"
          disabled={!live || (!state?.paused && (state?.running.length ?? 0) === 0)}
          onClick={() => stepCues(id, state?.paused ? "RESUME" : "PAUSE")}
        >
          {state?.paused ? (
            <>
              <Play size={18} aria-hidden /> Resume
            </>
          ) : (
            <>
              <Pause size={18} aria-hidden /> Pause
            </>
          )}
        </PushButton>
        <PushButton className="min-h-11" disabled={!live} onClick={() => stepCues(id, "STOP")}>
          <Square size={18} aria-hidden /> Stop
        </PushButton>
        <PushButton className="min-h-11" disabled={!live} onClick={() => stopAll()}>
          <Square size={18} aria-hidden /> Stop all
        </PushButton>
        <Confirm
          title={`Reset ${list.part.body.name}?`}
          text="What runs stops, and the list goes to its start. A cue 0 is fired: what it does, it does."
          action="Reset"
          onConfirm={() => stepCues(id, "RESET")}
        >
          <PushButton className="ml-auto min-h-11" disabled={!live}>
            <RotateCcw size={18} aria-hidden /> Reset
          </PushButton>
        </Confirm>
      </div>
      <p className="text-sm text-quiet">
        Space: go. Backspace: back. P: pause. S: stop. 0: reset.
        {!live && " This show is not the live one: its cues stand still."}
      </p>
      {state?.deafTo && (
        <div role="alert" className="rounded border-2 border-fault p-3">
          <p className="font-bold text-fault">Broken off: this list steps itself</p>
          <p>
            {state.deafTo} comes whenever a cue is sent. Change the Go message of the list or what its cues
            send. Until then only hands step it.
          </p>
          <PushButton className="mt-2 min-h-11" disabled={!live} onClick={() => stepCues(id, "ARM")}>
            Arm
          </PushButton>
        </div>
      )}
      {state?.broken && (
        <p role="alert" className="text-fault">
          More than 100 cues would have begun at once, so the list stopped there. Let one of them be followed
          by hand, or after a wait.
        </p>
      )}
      <section aria-label="Running" className="min-h-16">
        <h2 className="text-sm text-quiet">{state?.paused ? "Paused" : "Running"}</h2>
        {(state?.running.length ?? 0) === 0 && <p className="text-quiet">Nothing runs.</p>}
        <ul className="flex flex-col gap-1">
          {state?.running.map((fired) => (
            <li key={fired.number} data-running={fired.cueNumber} className="flex items-baseline gap-2">
              <span className="font-bold">{calledCue({ number: fired.cueNumber, name: fired.name })}</span>
              <span className="text-sm text-quiet">{fired.by}</span>
              <span className="ml-auto font-mono">
                <Remaining told={told!.at} ms={fired.endsInMs} still={state.paused} />
                {fired.followsInMs !== null && (
                  <>
                    {" "}
                    next in <Remaining told={told!.at} ms={fired.followsInMs} still={state.paused} />
                  </>
                )}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="What went out">
        <h2 className="text-sm text-quiet">What went out</h2>
        <ul className="flex flex-col gap-1">
          {[...(state?.running ?? [])]
            .reverse()
            .concat(state?.over ?? [])
            .slice(0, 6)
            .map((fired) => (
              <li key={fired.number} data-fired={fired.cueNumber} className="text-sm">
                <span className="font-bold">{calledCue({ number: fired.cueNumber, name: fired.name })}</span>
                {fired.actions.length === 0 && <span className="text-quiet"> did nothing</span>}
                <ul>
                  {fired.actions.map((action, i) => (
                    <li key={i} data-outcome={action.outcome}>
                      <span className={OUTCOMES[action.outcome].look}>
                        {OUTCOMES[action.outcome].sign} {action.word}
                      </span>{" "}
                      <span className="text-quiet">
                        {describe(parts, cues, fired.cue, i)}
                        {action.why && `: ${action.why}`}
                      </span>
                    </li>
                  ))}
                </ul>
              </li>
            ))}
        </ul>
      </section>
    </aside>
  );
}

const OUTCOMES: Record<string, { sign: string; look: string }> = {
  WAITS: { sign: "…", look: "text-quiet" },
  GOES_ON: { sign: "…", look: "text-select" },
  SAID: { sign: "…", look: "text-out" },
  DONE: { sign: "✓", look: "text-in" },
  ANSWERED: { sign: "✓", look: "text-in" },
  FELL_SHORT: { sign: "✗", look: "text-fault" },
  SKIPPED: { sign: "■", look: "text-caution" },
  TAKEN: { sign: "■", look: "text-caution" },
  STOPPED: { sign: "■", look: "text-caution" },
};

type Parts = Parameters<typeof describeAction>[0];

/** What an action that was fired is now, where its cue is still there. */
function describe(parts: Parts, cues: HeldOf<Cue>[], cue: string, index: number): string {
  const action = cues.find((each) => each.part.id === cue)?.part.body.actions[index];
  return action ? describeAction(parts, action) : "an action that is gone";
}

type Known = ReturnType<typeof useShow.getState>["links"] extends ReadonlyMap<string, infer L> ? L : never;

const isWell = (link: Known | undefined) =>
  link !== undefined &&
  link.gate === "OPEN" &&
  link.state !== "LOST" &&
  link.state !== "PORT_CLOSED" &&
  link.socket.kind === "OPEN";

function stateWords(link: Known | undefined): string {
  if (!link) return "";
  return link.gate !== "OPEN"
    ? "held"
    : link.state === "LOST"
      ? "lost"
      : link.state === "PORT_CLOSED"
        ? "port closed"
        : "no way out";
}
