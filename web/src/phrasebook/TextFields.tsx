import type { PhraseArgument, Problem, TextRule } from "../api/types";
import { NumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";

const CHARACTERS: { value: TextRule["characters"]; text: string }[] = [
  { value: "UNKNOWN", text: "not known yet" },
  { value: "PLAIN", text: "plain letters, no accents" },
  { value: "ANY", text: "any" },
];

interface Props {
  argument: PhraseArgument;
  put: (change: Partial<PhraseArgument>) => Promise<Problem[]>;
}

/** Which texts an argument takes. */
export function TextFields({ argument, put }: Props) {
  const { texts } = argument;
  return (
    <div className="col-span-2 col-start-2 grid grid-cols-2 items-end gap-2">
      <NumberField
        label="Characters at most (0: not known yet)"
        whole
        value={texts.longest ?? 0}
        onCommit={(n) => put({ texts: { ...texts, longest: n || null } })}
      />
      <Select
        label="Which characters"
        value={texts.characters}
        options={CHARACTERS}
        onChange={(characters) => void report(put({ texts: { ...texts, characters } }))}
      />
    </div>
  );
}
