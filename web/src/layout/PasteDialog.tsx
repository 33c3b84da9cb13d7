import { useMemo, useState } from "react";
import { previewArrangement } from "../requests/lines";
import type { ArrangePreview } from "../api/types";
import { useLook } from "../requests/useLook";
import { partsOf, useShow } from "../live/show";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";
import { carryOutPaste, type Meaning, meantHere, pasteOf, type Pasting } from "./actions";
import { Changes, isReady } from "./Changes";
import { copied, copiedTargets } from "./clipboard";

const MEANINGS: { meaning: Meaning; words: string; what: string }[] = [
  { meaning: "SAME", words: "The same lines again", what: "The copies do what the originals do." },
  {
    meaning: "NEXT_NUMBERS",
    words: "The next numbers",
    what: "After 1 to 4 come 5 to 8, in addresses and labels.",
  },
  {
    meaning: "NEXT_VALUES",
    words: "The same addresses, the next values",
    what: "Fixed values and labels go on, addresses stay.",
  },
];

const NOBODY = "nobody";

/** Asks what pasting means, and shows what comes of it, before it is done. */
export function PasteDialog({ page, onClose }: { page: string; onClose: () => void }) {
  const parts = useShow((s) => s.parts);
  const [meaning, setMeaning] = useState<Meaning>("NEXT_NUMBERS");
  const [meant, setMeant] = useState<Record<string, string>>({});
  const [what] = useState(copied);
  const targets = partsOf(parts, "target");
  const strangers = copiedTargets(what).filter((target) => !parts.has(target.id));
  const paste = useMemo(() => pasteOf(page, meaning, meantHere(what, meant)), [page, meaning, meant, what]);

  const look = useLook<Pasting, ArrangePreview>(paste, previewArrangement);

  return (
    <WideDialog
      title="How to paste"
      onClose={onClose}
      action="Paste"
      ready={isReady(look)}
      act={() => carryOutPaste(paste)}
    >
      <div role="radiogroup" aria-label="Meaning" className="flex flex-col gap-1">
        {MEANINGS.map((each) => (
          <label key={each.meaning} className="flex items-baseline gap-2">
            <input
              type="radio"
              name="meaning"
              checked={meaning === each.meaning}
              onChange={() => setMeaning(each.meaning)}
            />
            <b>{each.words}</b> <span className="text-sm text-quiet">{each.what}</span>
          </label>
        ))}
      </div>
      {strangers.map(({ id, name }) => (
        <Select
          key={id}
          label={`“${name}” is not in this show. Its lines go to`}
          value={meant[id] ?? targets.find((t) => t.part.body.name === name)?.part.id ?? NOBODY}
          onChange={(target) => setMeant({ ...meant, [id]: target })}
          options={[
            ...targets.map((t) => ({ value: t.part.id, text: t.part.body.name })),
            { value: NOBODY, text: "nobody yet" },
          ]}
        />
      ))}
      <Changes look={look} />
    </WideDialog>
  );
}
