import { useCallback, useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import type { ProofRunning } from "../api/types";
import { useShow } from "../live/show";
import { runningProof } from "../requests/proof";
import { Leftover } from "./Leftover";
import { PlanView } from "./PlanView";
import { RunningView } from "./RunningView";

const RUNS_MS = 300;
const IDLE_MS = 2000;

/** Choose lines, look at what would be sent, start, and follow. */
export function Prove() {
  const live = useShow((s) => s.live);
  const show = useShow((s) => s.showId);
  const [params] = useSearchParams();
  const [now, setNow] = useState<ProofRunning | null>(null);
  const [asked, setAsked] = useState(false);
  const [trouble, setTrouble] = useState("");
  /** The one that ended is put aside, and another one planned. */
  const [aside, setAside] = useState(0);

  const look = useCallback(
    () =>
      runningProof().then(
        (found) => {
          setNow(found);
          setAsked(true);
          setTrouble("");
        },
        (e: Error) => setTrouble(e.message),
      ),
    [],
  );
  const runs = now !== null && (now.phase !== "ENDED" || (now.number === null && now.trouble === ""));
  useEffect(() => {
    if (!live) return;
    void look();
    // another device may start one
    const timer = setInterval(() => void look(), runs ? RUNS_MS : IDLE_MS);
    return () => clearInterval(timer);
  }, [live, look, runs, show]);

  if (!live)
    return (
      <main className="p-8 text-lg text-quiet">
        This show is not live, so nothing can be sent. Go live with it in Shows; then it can be proved.
      </main>
    );
  return (
    <main className="min-h-0 flex-1 overflow-auto px-5 py-4 max-md:px-2">
      {trouble && (
        <p role="alert" className="mb-3 text-fault">
          {trouble}
        </p>
      )}
      <Leftover />
      {now && now.startedAt !== aside ? (
        <RunningView now={now} look={look} onAgain={() => setAside(now.startedAt)} />
      ) : (
        asked && <PlanView within={params.get("within")} onStarted={look} />
      )}
    </main>
  );
}
