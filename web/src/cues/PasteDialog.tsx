import { useState } from "react";
import type { Cue } from "../api/types";
import { type HeldOf, useShow } from "../live/show";
import { type Counting, pasteOnto } from "../requests/tracks";
import { Check } from "../ui/fields";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";
import { calledCue, describeAction } from "./describe";

interface Props {
  from: HeldOf<Cue>;
  cues: HeldOf<Cue>[];
  onClose: () => void;
}

/** What one cue does others do, too, with the numbers in its lines counting on; first those behind it that do nothing yet. */
export function PasteDialog({ from, cues, onClose }: Props) {
  const parts = useShow((s) => s.parts);
  const others = cues.filter((cue) => cue.part.id !== from.part.id);
  const behind = cues.slice(cues.findIndex((cue) => cue.part.id === from.part.id) + 1);
  const [onto, setOnto] = useState<readonly string[]>(
    behind.filter((cue) => cue.part.body.actions.length === 0).map((cue) => cue.part.id),
  );
  const [counting, setCounting] = useState<Counting>("ADDRESS");
  const chosen = others.filter((cue) => onto.includes(cue.part.id)).map((cue) => cue.part.id);
  return (
    <WideDialog
      title={`Paste what ${calledCue(from.part.body)} does`}
      action={`Paste onto ${chosen.length} ${chosen.length === 1 ? "cue" : "cues"}`}
      ready={chosen.length > 0}
      act={() => pasteOnto(from.part.id, chosen, counting)}
      onClose={onClose}
    >
      <p className="text-quiet">
        The first cue gets it with the next numbers in its lines, the second with those after them, and so on.
        What a chosen cue did before is gone.
      </p>
      <ul className="font-mono text-sm">
        {from.part.body.actions.map((action, i) => (
          <li key={i}>{describeAction(parts, action)}</li>
        ))}
      </ul>
      <Select
        label="What counts on"
        value={counting}
        onChange={setCounting}
        options={[
          { value: "ADDRESS", text: "the number in the address" },
          { value: "ARGUMENT", text: "the first number after the address" },
          { value: "NOTHING", text: "nothing: all say the same" },
        ]}
      />
      <ul className="max-h-72 overflow-auto" aria-label="Onto">
        {others.map(({ part: { id, body } }) => (
          <li key={id} className="flex gap-3 py-1">
            <Check
              label={calledCue(body)}
              checked={onto.includes(id)}
              onChange={(on) => setOnto((now) => (on ? [...now, id] : now.filter((each) => each !== id)))}
            />
            <span className="ml-auto truncate text-sm text-quiet">
              {body.actions.length === 0 ? "does nothing yet" : describeAction(parts, body.actions[0]!)}
            </span>
          </li>
        ))}
      </ul>
    </WideDialog>
  );
}
