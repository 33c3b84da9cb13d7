import type { Link } from "../api/types";
import { clockTime } from "../ui/time";
import { linkWord } from "./linkWords";
import { useRig } from "./rig";

const SHOWN = 6;

/** The evidence of a link, and when it turned from what to what. */
export function LinkLog({ id, link }: { id: string; link: Link | undefined }) {
  const all = useRig((s) => s.view?.turns);
  const turns = (all ?? []).filter((t) => t.target === id);
  const answers = link?.answers;
  return (
    <section aria-label="Link log" className="min-w-0 text-sm">
      <h3 className="mb-1 text-base font-bold">Evidence</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-quiet">
        <dt>last sent</dt>
        <dd className="font-mono">{link?.lastSentAt ? timeOfDay(link.lastSentAt) : "never"}</dd>
        <dt>last received</dt>
        <dd className="font-mono">{link?.lastHeardAt ? timeOfDay(link.lastHeardAt) : "never"}</dd>
        <dt>answers after</dt>
        <dd className="font-mono">
          {answers
            ? `${ms(answers.last)} ms, half within ${ms(answers.median)}, 99 % within ${ms(answers.p99)}`
            : "none yet"}
        </dd>
      </dl>
      <ol className="mt-1">
        {turns
          .slice(-SHOWN)
          .reverse()
          .map((turn) => (
            <li key={turn.number} className="truncate" title={turn.why}>
              <span className="font-mono text-quiet">{timeOfDay(turn.at)}</span>{" "}
              <strong>{linkWord(turn.state)}</strong>: {turn.why}
            </li>
          ))}
      </ol>
    </section>
  );
}

const timeOfDay = (nanos: number) => clockTime(nanos / 1e6);
const ms = (nanos: number) => (nanos / 1e6).toFixed(1);
