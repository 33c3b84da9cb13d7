import { Check, TriangleAlert } from "lucide-react";
import { Link } from "react-router";
import { readStart } from "../requests/network";
import { useAgain } from "../requests/useAgain";
import { clockTime } from "../ui/time";

const AGAIN_MS = 1000;

/** What was opened since the start, what could not be, and where this machine is reached. */
export function StartView() {
  const { found: start, trouble } = useAgain("start", readStart, AGAIN_MS);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      {trouble && (
        <p role="alert" className="mb-2 text-fault">
          {trouble}
        </p>
      )}
      {start && (
        <section
          aria-label="Where this machine is reached"
          className="mb-4 rounded-lg border border-rule bg-panel p-4"
        >
          <h2 className="mb-1 text-lg font-bold">Where this machine is reached</h2>
          <p>
            From this machine: <span className="font-mono">{location.origin}</span>
          </p>
          {start.door.open ? (
            <p>
              From phones and tablets:{" "}
              <span className="font-mono">
                {start.door.addresses.join(", ") || "no address on a network now"}
              </span>
            </p>
          ) : (
            <p>
              Phones and tablets are not let in.{" "}
              <Link className="underline" to="/rig/machine">
                Let them in
              </Link>
            </p>
          )}
          <p>
            Network adapters: <span className="font-mono">{start.adapters.join(" · ")}</span>
          </p>
        </section>
      )}
      <ol className="flex flex-col" aria-label="Since the start, newest first">
        {start?.entries.map(({ atMillis, failed, what }, i) => (
          <li
            key={start.entries.length - i}
            className={`flex items-baseline gap-3 border-b border-raised py-1 ${failed ? "text-fault" : ""}`}
          >
            <span className="font-mono text-quiet">{clockTime(atMillis)}</span>
            {failed ? (
              <TriangleAlert size={16} className="flex-none self-center" aria-label="failed" />
            ) : (
              <Check size={16} className="flex-none self-center text-in" aria-label="done" />
            )}
            <span>{what}.</span>
          </li>
        ))}
      </ol>
    </div>
  );
}
