import { CheckCircle2, CircleDashed, CircleSlash, XCircle } from "lucide-react";
import type { ProofCounts, ProofLine } from "../api/types";

const LOOKS = {
  GOOD: { Icon: CheckCircle2, colour: "text-in" },
  UNDECIDED: { Icon: CircleDashed, colour: "text-caution" },
  NOT_TRIED: { Icon: CircleSlash, colour: "text-quiet" },
  SHORT: { Icon: XCircle, colour: "text-fault" },
} as const;

/** A verdict: a shape, and its word. */
export function VerdictWord({ standing, word }: Pick<ProofLine, "standing" | "word">) {
  const { Icon, colour } = LOOKS[standing];
  return (
    <span className={`flex items-center gap-1.5 font-bold ${colour}`}>
      <Icon size={18} className="flex-none" aria-hidden />
      {word}
    </span>
  );
}

/** How many lines came out how: what failed first. */
export function Counts({ counts }: { counts: ProofCounts }) {
  return (
    <>
      <span className={counts.failed > 0 ? "font-bold text-fault" : "text-quiet"}>
        {counts.failed} failed
      </span>
      <span className={counts.undecided > 0 ? "text-caution" : "text-quiet"}>
        {counts.undecided} undecided
      </span>
      <span className={counts.notTried > 0 ? "text-bone" : "text-quiet"}>{counts.notTried} not tried</span>
      <span className="text-in">{counts.proved} proved</span>
    </>
  );
}

export function millis(value: number): string {
  return value < 10 ? `${value.toFixed(1)} ms` : `${Math.round(value)} ms`;
}

/** Seconds as people say them. */
export function duration(seconds: number): string {
  if (seconds < 1) return "a moment";
  if (seconds < 100) return `${Math.ceil(seconds)} s`;
  return `${Math.ceil(seconds / 60)} min`;
}

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`;
