import { changeRig } from "../requests/rig";
import type { RigView } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { clockTime } from "../ui/time";

type Stray = RigView["strays"][number];

/** Packets that no target claims, by their senders; each can become a target, or the end of one that is there. */
export function StrayList({ strays }: { strays: Stray[] }) {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");

  const takeAs = (stray: Stray, target: string) =>
    void report(
      changeRig({
        what: "takeAs",
        target,
        place: { host: stray.host, port: stray.port },
        answerPort: stray.ourPort,
      }),
    );
  const takeAsNew = (stray: Stray) =>
    void report(
      changeRig({
        what: "addTarget",
        id: crypto.randomUUID(),
        name: stray.host,
        place: { host: stray.host, port: stray.port },
        answerPort: stray.ourPort,
      }),
    );

  return (
    <section className="mt-6" aria-label="From unknown senders">
      <h2 className="mb-1 text-lg font-bold">From unknown senders</h2>
      {strays.length === 0 ? (
        <p className="text-quiet">
          Every packet so far came from a target of the rig. What comes from elsewhere to one of our answer
          ports is listed here, to be taken as a target.
        </p>
      ) : (
        <ul className="flex flex-col gap-2">
          {strays.map((stray) => (
            <li
              key={`${stray.host}:${stray.port}:${stray.ourPort}`}
              data-stray={`${stray.host}:${stray.port}`}
              className="flex flex-wrap items-center gap-3 rounded border border-caution px-3 py-2"
            >
              <span className="font-mono">
                {stray.host}:{stray.port} → {stray.ourPort}
              </span>
              <span className="min-w-0 flex-1 truncate text-quiet">
                {stray.count} {stray.count === 1 ? "packet" : "packets"}, last at{" "}
                {clockTime(stray.lastAt / 1e6)}
                {stray.address && (
                  <>
                    : <span className="font-mono">{stray.address}</span>
                  </>
                )}
              </span>
              {targets.map((t) => (
                <PushButton key={t.part.id} onClick={() => takeAs(stray, t.part.id)}>
                  Take as {t.part.body.name}
                </PushButton>
              ))}
              <PushButton strong onClick={() => takeAsNew(stray)}>
                Add as a new target
              </PushButton>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
