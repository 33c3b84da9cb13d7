import { CheckCircle2, CircleDashed, Clock, XCircle } from "lucide-react";
import { timeOfDay } from "../ui/time";
import { useProvedOf } from "./proved";

const WORST_FIRST = ["SHORT", "UNDECIDED", "NOT_TRIED", "GOOD"] as const;

/** On a control in Build: what the newest proof says of its lines. */
export function ProvedMark({ control }: { control: string }) {
  const lines = useProvedOf(control);
  if (lines.length === 0) return null;
  const worst = [...lines].sort(
    (a, b) => WORST_FIRST.indexOf(a.standing) - WORST_FIRST.indexOf(b.standing),
  )[0]!;
  const stale = lines.some((line) => line.stale);
  const away = lines.find((line) => line.away !== null)?.away ?? null;
  const grey = stale || away !== null;
  const Icon = grey
    ? Clock
    : worst.standing === "GOOD"
      ? CheckCircle2
      : worst.standing === "SHORT"
        ? XCircle
        : CircleDashed;
  const colour = grey
    ? "bg-raised text-quiet"
    : worst.standing === "GOOD"
      ? "bg-in"
      : worst.standing === "SHORT"
        ? "bg-fault"
        : "bg-caution";
  const words = stale
    ? `Changed since it was ${worst.word}: prove it again`
    : away !== null
      ? `${worst.word}; at ${timeOfDay(new Date(away)).slice(0, 5)} its target was away, or another machine answered for it: prove it again`
      : `Last proof: ${worst.word}`;
  return (
    <span
      className={`pointer-events-none absolute right-0.5 bottom-0.5 z-20 rounded p-0.5 text-ink ${colour}`}
      data-proved={stale ? "stale" : grey ? "away" : worst.standing}
      title={words}
    >
      <Icon size={14} role="img" aria-label={words} />
    </span>
  );
}
