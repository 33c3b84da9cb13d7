import { Plus, Trash2 } from "lucide-react";
import type { Mask, Phrase } from "../api/types";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import type { PutPhrase } from "./put";

/** What stands in the way of a phrase while its target says so. */
export function MaskFields({ phrase, put }: { phrase: Phrase; put: PutPhrase }) {
  const set = (i: number, field: keyof Mask, change: Partial<Mask>) =>
    put(`masks/${i}/${field}`, (p) => ({
      ...p,
      masks: p.masks.map((mask, n) => (n === i ? { ...mask, ...change } : mask)),
    }));
  return (
    <>
      <h3 className="mt-3 font-bold">Masked while the target says</h3>
      {phrase.masks.length === 0 && <p className="text-quiet">Nothing stands in its way.</p>}
      <ol className="flex flex-col gap-3">
        {phrase.masks.map((mask, i) => (
          <li
            key={i}
            className="grid grid-cols-[1fr_5.5rem_2rem] items-end gap-2"
            aria-label={`Mask ${i + 1}`}
          >
            <EditField
              label="On"
              mono
              className="col-span-3"
              value={mask.address}
              onCommit={(address) => set(i, "address", { address })}
            />
            <EditField label="This value" value={mask.text} onCommit={(text) => set(i, "text", { text })} />
            <NumberField
              label="Argument"
              whole
              value={mask.argument + 1}
              onCommit={(n) => set(i, "argument", { argument: n - 1 })}
            />
            <button
              aria-label={`Remove mask ${i + 1}`}
              className="p-1.5 text-quiet hover:text-bone"
              onClick={() =>
                void report(put("masks", (p) => ({ ...p, masks: p.masks.filter((_, n) => n !== i) })))
              }
            >
              <Trash2 size={16} aria-hidden />
            </button>
            <Select
              label="For"
              className="col-span-3"
              value={mask.elsewhere ? "OTHER" : "OWN"}
              options={[
                { value: "OWN", text: "the same numbers" },
                { value: "OTHER", text: "any other number, such as a solo elsewhere" },
              ]}
              onChange={(which) => void report(set(i, "elsewhere", { elsewhere: which === "OTHER" }))}
            />
          </li>
        ))}
      </ol>
      <PushButton
        className="self-start"
        onClick={() =>
          void report(
            put("masks", (p) => ({
              ...p,
              masks: [...p.masks, { address: p.address, argument: 0, text: "1", elsewhere: false }],
            })),
          )
        }
      >
        <Plus size={16} aria-hidden /> Mask
      </PushButton>
    </>
  );
}
