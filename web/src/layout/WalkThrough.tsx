import { Check, Circle, MicOff } from "lucide-react";
import { useEffect, useState } from "react";
import type { ControlValue } from "../api/types";
import { calledOf, controlAt, laidOf } from "../live/laid";
import { useShow } from "../live/show";
import { values } from "../live/values";
import { PushButton } from "../ui/buttons";
import { SidePanel } from "../ui/SidePanel";

/** What the target says of a control, to see whether it says something else. */
const saidOf = (value: ControlValue | undefined) =>
  value ? JSON.stringify([value.axes.map(({ echo }) => echo), value.echoText, value.words]) : "";

interface Walk {
  /** What was said of each when the walk began. */
  before: ReadonlyMap<string, string>;
  moved: ReadonlySet<string>;
  last: string | null;
}

const begun = (ids: readonly string[]): Walk => ({
  before: new Map(ids.map((id) => [id, saidOf(values.get(id))])),
  moved: new Set(),
  last: null,
});

/** Somebody moves the real things one after the other, and sees which control follows each, and which never did. */
export function WalkThrough({ ids, onClose }: { ids: readonly string[]; onClose: () => void }) {
  const parts = useShow((s) => s.parts);
  const [walk, setWalk] = useState(() => begun(ids));
  useEffect(() => {
    const stops = ids.map((id) =>
      values.subscribe(id, (value) => {
        const said = saidOf(value);
        setWalk((now) => {
          const known = now.before.get(id) ?? "";
          if (said === known) return now;
          const before = new Map(now.before).set(id, said);
          // the first thing that is heard of it at all may be an answer to our own question
          return known === "" ? { ...now, before } : { before, moved: new Set([...now.moved, id]), last: id };
        });
      }),
    );
    return () => stops.forEach((stop) => stop());
  }, [ids]);

  const laid = ids.flatMap((id) => laidOf(parts, id) ?? []);
  const lines = laid.map((held) => ({
    id: held.part.id,
    name: calledOf(parts, held),
    listen: controlAt(parts, held)?.part.body.listens[0]?.address ?? "",
  }));
  const last = lines.find(({ id }) => id === walk.last);
  const left = lines.filter(({ id, listen }) => listen !== "" && !walk.moved.has(id)).length;
  return (
    <SidePanel title="Walk-through" onClose={onClose}>
      <p>Move each real thing at the far end, one after the other. The control that follows it lights up.</p>
      <p
        role="status"
        className="flex min-h-24 flex-col justify-center rounded-lg border-2 border-in px-4 py-2 text-2xl font-bold"
      >
        {last ? (
          <>
            {last.name}
            <span className="font-mono text-base font-normal break-all text-in">{last.listen}</span>
          </>
        ) : (
          <span className="text-quiet">Nothing has followed yet</span>
        )}
      </p>
      <p className={left === 0 ? "font-bold text-in" : ""}>
        {left === 0 ? "All have followed." : `${left} of ${lines.length} have not followed yet.`}
      </p>
      <ul className="flex flex-col" aria-label="Controls of the walk-through">
        {lines.map(({ id, name, listen }) => {
          const moved = walk.moved.has(id);
          const Icon = listen === "" ? MicOff : moved ? Check : Circle;
          return (
            <li
              key={id}
              data-walk={listen === "" ? "deaf" : moved ? "moved" : "still"}
              className={`flex items-center gap-2 border-b border-rule py-1 ${id === walk.last ? "bg-raised font-bold" : ""} ${moved ? "text-in" : listen === "" ? "text-caution" : "text-quiet"}`}
            >
              <Icon size={18} className="flex-none" aria-hidden />
              <span className="min-w-0 flex-1 break-words">{name}</span>
              <span className="text-sm">
                {listen === "" ? "has no listen" : moved ? "followed" : "not yet"}
              </span>
            </li>
          );
        })}
      </ul>
      <PushButton className="self-start" onClick={() => setWalk(begun(ids))}>
        Start again
      </PushButton>
    </SidePanel>
  );
}
