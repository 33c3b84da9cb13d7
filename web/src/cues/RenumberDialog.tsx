import { useState } from "react";
import type { Cue, CueList } from "../api/types";
import { type HeldOf, partOf, useShow } from "../live/show";
import { countedIn, renumberCues } from "../requests/cues";
import { useLook } from "../requests/useLook";
import { TextField } from "../ui/fields";
import { WideDialog } from "../ui/WideDialog";

interface Props {
  list: HeldOf<CueList>;
  cues: HeldOf<Cue>[];
  onClose: () => void;
}

/** New numbers for all cues; first it is said which numbers stay, for a target counts them itself. */
export function RenumberDialog({ list, cues, onClose }: Props) {
  const parts = useShow((s) => s.parts);
  const { found: counted, trouble } = useLook(list.part.id, countedIn);
  const [first, setFirst] = useState(cues[0]?.part.body.number === "0" ? "0" : "1");
  const [step, setStep] = useState("1");
  const isReady = [first, step].every((text) => text.trim() !== "" && Number.isFinite(Number(text)));
  return (
    <WideDialog
      title={`Renumber ${list.part.body.name}`}
      action="Renumber"
      ready={isReady}
      act={() => renumberCues(list.part.id, Number(first), Number(step))}
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-2">
        <TextField label="First number" mono value={first} onChange={setFirst} />
        <TextField label="Step" mono value={step} onChange={setStep} />
      </div>
      {!isReady && (
        <p role="alert" className="text-fault">
          Write both as numbers, a decimal with a dot: 1, 10 or 0.5.
        </p>
      )}
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {counted?.length === 0 && (
        <p className="text-quiet">
          Only numbers of cues change. What steps or fires them knows each by itself, not by its number.
        </p>
      )}
      {counted && counted.length > 0 && (
        <section aria-label="What stays">
          <p className="text-quiet">
            Only numbers of cues change. These lines say a number that their target counts for itself; it
            stays:
          </p>
          <ul className="mt-1 max-h-64 overflow-auto">
            {counted.map((line, i) => (
              <li key={i} className="flex gap-3">
                <span className="w-16 flex-none text-right">{line.cue}</span>
                <span className="w-28 flex-none truncate">
                  {partOf(parts, "target", line.target)?.part.body.name ?? "nobody"}
                </span>
                <span className="min-w-0 font-mono [overflow-wrap:anywhere]">{line.text}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </WideDialog>
  );
}
