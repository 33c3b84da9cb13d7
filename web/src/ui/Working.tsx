import { useEffect, useState } from "react";
import type { WorkState } from "../api/types";
import { cancelWork, stateOf } from "../api/work";
import { PushButton } from "./buttons";

const STAGES: Record<WorkState["stage"], string> = {
  READING: "Reading the file",
  CHECKING: "Checking what it would change",
  SAVING: "Saving",
  PLANNING: "Working out what would be sent",
};

const LOOK_MS = 500;

const thousands = (n: number) => n.toLocaleString("en").replaceAll(",", " ");

interface Props {
  what: string;
  /** The request that does it, where it can be asked about: then it says how far it is, and can be cancelled. */
  work?: string;
  /** Whether it is cancelled here; where not, it is beside this. */
  cancels?: boolean;
}

/** Says that something goes on, once it takes longer than a moment, and for how long it has. */
export function Working({ what, work, cancels = true }: Props) {
  const [seconds, setSeconds] = useState(0);
  const [state, setState] = useState<WorkState | null>(null);
  const [cancelled, setCancelled] = useState<string | null>(null);
  useEffect(() => {
    const begun = performance.now();
    const timer = setInterval(() => setSeconds(Math.floor((performance.now() - begun) / 1000)), 250);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    if (work === undefined) return;
    let there = true;
    const look = () => void stateOf(work).then((found) => there && found && setState(found));
    const timer = setInterval(look, LOOK_MS);
    return () => {
      there = false;
      clearInterval(timer);
    };
  }, [work]);

  if (seconds === 0) return null;
  const doing = work !== undefined && cancelled === work ? "Cancelling" : state ? STAGES[state.stage] : what;
  return (
    <p role="status" className="my-2 flex items-center gap-3 text-quiet">
      <progress
        className="h-2 min-w-24 flex-1 accent-select"
        aria-label={doing}
        value={state?.done}
        max={state?.of}
      />
      {doing} … {state && `${thousands(state.done)} of ${thousands(state.of)}, `}
      {seconds} s
      {work !== undefined && cancels && (
        <PushButton
          disabled={cancelled === work}
          onClick={() => {
            setCancelled(work);
            void cancelWork(work);
          }}
        >
          Cancel
        </PushButton>
      )}
    </p>
  );
}
