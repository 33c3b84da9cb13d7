import { CircleCheck, TriangleAlert, Wrench } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import type { TypedLine } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { arrange } from "../requests/edits";
import { lookAtTyped } from "../requests/findings";
import { useLook } from "../requests/useLook";
import { PushButton } from "../ui/buttons";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";

/** So many lines are checked at once. */
const MOST_CHECKED = 2000;
/** Of these so many are drawn. */
const MOST_SHOWN = 200;

/** A page of addresses, typed or pasted: told line by line what cannot work, and made into controls. */
export function LinesDialog({ page, onClose }: { page: string; onClose: () => void }) {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");
  const [chosen, setChosen] = useState(() => targets[0]?.part.id ?? null);
  const [text, setText] = useState("");
  const lines = useMemo(() => text.split(/\r?\n/), [text]);
  const looked = useDeferredValue(lines);
  const asked = useMemo(
    () => ({ target: chosen, lines: looked.filter((line) => line.trim() !== "") }),
    [chosen, looked],
  );
  const { found, trouble } = useLook(asked, lookAtTyped);
  const typed = found ?? [];
  const unseen = asked.lines.length - typed.length;
  const mendable = typed.filter((line) => line.mend !== null);
  const placeable = typed.filter((line) => line.readable).length;
  const wrong = typed.filter((line) => line.problem !== null).length;

  const mend = (which: TypedLine[]) => {
    const meant = new Map(which.map((line) => [line.line, line.mend!]));
    setText(lines.map((line) => meant.get(line) ?? line).join("\n"));
  };

  return (
    <WideDialog
      title="Type or paste addresses"
      onClose={onClose}
      action={placeable === 1 ? "Place 1 line" : `Place ${placeable} lines`}
      ready={chosen !== null && placeable > 0 && !trouble}
      act={() => arrange({ what: "placeLines", page, target: chosen!, lines: asked.lines })}
    >
      {targets.length === 0 ? (
        <p className="text-lg">There is no target yet to say them to. Add one in Rig first.</p>
      ) : (
        <Select
          label="Target"
          value={chosen ?? ""}
          onChange={setChosen}
          options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
        />
      )}
      <label>
        <span className="text-sm text-quiet">
          One address in each line, with its arguments where a key is to say them: /bellows/in/3/level, or
          /sluice/scene &quot;Low water&quot;
        </span>
        <textarea
          className="block h-36 w-full resize-none rounded border border-rule bg-ground px-2 py-1 font-mono text-bone"
          aria-label="Addresses"
          value={text}
          spellCheck={false}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      <div className="flex items-center gap-3">
        <p role="status" className="flex-1 text-quiet">
          {typed.length === 0
            ? "Each line is checked as you type."
            : wrong === 0
              ? `${typed.length} checked, none with a problem`
              : `${typed.length} checked, ${wrong} with a problem`}
          {typed.length >= MOST_CHECKED &&
            unseen > 0 &&
            `; ${unseen} more are not checked. Paste fewer at once`}
        </p>
        {mendable.length > 0 && (
          <PushButton strong onClick={() => mend(mendable)}>
            <Wrench size={16} aria-hidden />{" "}
            {mendable.length === 1 ? "Mend it" : `Mend all ${mendable.length}`}
          </PushButton>
        )}
      </div>
      <ul aria-label="Checked lines" className="flex min-h-0 flex-col overflow-auto">
        {typed.slice(0, MOST_SHOWN).map((line, i) => (
          <li key={i} className="flex items-start gap-2 border-b border-rule py-1">
            {line.problem === null ? (
              <CircleCheck size={18} className="mt-0.5 flex-none text-in" aria-label="OK" />
            ) : (
              <TriangleAlert size={18} className="mt-0.5 flex-none text-caution" aria-label="Problem" />
            )}
            <span className="min-w-0 flex-1">
              <span className="font-mono [overflow-wrap:anywhere]">{line.line}</span>{" "}
              <span className={line.problem === null ? "text-quiet" : "text-caution"}>
                {line.problem ?? line.means}
              </span>
            </span>
            {line.mend !== null && (
              <PushButton className="flex-none px-2! py-0! font-mono" onClick={() => mend([line])}>
                Use {line.mend}
              </PushButton>
            )}
          </li>
        ))}
        {typed.length > MOST_SHOWN && (
          <li className="py-1 text-quiet">and {typed.length - MOST_SHOWN} more, which are counted above</li>
        )}
      </ul>
    </WideDialog>
  );
}
