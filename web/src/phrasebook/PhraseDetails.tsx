import { Plus, Trash2 } from "lucide-react";
import { change } from "../requests/edits";
import { setValues } from "../requests/phrasebooks";
import type { Phrase, PhraseArgument } from "../api/types";
import type { HeldOf } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { MarksField } from "../ui/MarksField";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { SidePanel } from "../ui/SidePanel";
import { TYPES } from "../ui/types";
import { AnswerFields } from "./AnswerFields";
import { FRESH_ARGUMENT } from "./fresh";
import { MaskFields } from "./MaskFields";
import { ProofFields } from "./ProofFields";
import type { PutPhrase } from "./put";
import { TextFields } from "./TextFields";
import { valueWords } from "./words";

const withArgument = (phrase: Phrase, index: number, change: Partial<PhraseArgument>): Phrase => ({
  ...phrase,
  arguments: phrase.arguments.map((a, i) => (i === index ? { ...a, ...change } : a)),
});

/** Everything of one phrase: its arguments in order, what comes back, and what can stand in its way. */
export function PhraseDetails({ held, onClose }: { held: HeldOf<Phrase>; onClose: () => void }) {
  const phrase = held.part.body;
  const id = held.part.id;
  const put: PutPhrase = (field, update) =>
    of(field, change(`Change ${phrase.address}`, "phrase", id, update));
  const putArgument = (i: number, change: Partial<PhraseArgument>) =>
    put(`arguments/${i}/high`, (p) => withArgument(p, i, change));

  return (
    <SidePanel title={phrase.address} mono onClose={onClose}>
      <h3 className="font-bold">Arguments, in order</h3>
      {phrase.arguments.length === 0 && <p className="text-quiet">No arguments.</p>}
      <ol className="flex flex-col gap-3">
        {phrase.arguments.map((argument, i) => (
          <li
            key={i}
            className="grid grid-cols-[1.5rem_1fr_1fr_2rem] items-end gap-2"
            aria-label={`Argument ${i + 1}`}
          >
            <span className="pb-1.5 text-quiet">{i + 1}</span>
            <Select
              label="Type"
              value={argument.type}
              options={TYPES}
              onChange={(type) => void report(putArgument(i, { type }))}
            />
            <EditField
              label="Always (empty: it varies)"
              mono
              value={argument.fixed ?? ""}
              onCommit={(text) => putArgument(i, { fixed: text === "" ? null : text })}
            />
            <button
              aria-label={`Remove argument ${i + 1}`}
              className="p-1.5 text-quiet hover:text-bone"
              onClick={() =>
                void report(
                  put("arguments", (p) => ({ ...p, arguments: p.arguments.filter((_, n) => n !== i) })),
                )
              }
            >
              <Trash2 size={16} aria-hidden />
            </button>
            <EditField
              label="Values, such as 0 to 1 dB, or in | out"
              className="col-span-2 col-start-2"
              value={valueWords(argument)}
              onCommit={(text) => setValues(id, i, text)}
            />
            {argument.fixed === null && (
              <EditField
                label="What the far end makes of it: multiply 100 | cut"
                mono
                className="col-span-2 col-start-2"
                value={argument.reads}
                onCommit={(reads) =>
                  put(`arguments/${i}/reads`, (p) => withArgument(p, i, { reads: reads.trim() }))
                }
              />
            )}
            {argument.type === "TEXT" && argument.fixed === null && argument.choices.length === 0 && (
              <TextFields
                argument={argument}
                put={(change) => put(`arguments/${i}/texts`, (p) => withArgument(p, i, change))}
              />
            )}
            {argument.low !== null && (
              <div className="col-span-2 col-start-2">
                <MarksField
                  label="Its scale, where its numbers say nothing: 0 off; 1 +10 dB"
                  marks={argument.marks}
                  put={(marks) => put(`arguments/${i}/marks`, (p) => withArgument(p, i, { marks }))}
                />
              </div>
            )}
          </li>
        ))}
      </ol>
      <PushButton
        className="self-start"
        onClick={() =>
          void report(put("arguments", (p) => ({ ...p, arguments: [...p.arguments, FRESH_ARGUMENT] })))
        }
      >
        <Plus size={16} aria-hidden /> Argument
      </PushButton>

      <AnswerFields phrase={phrase} put={put} />

      <h3 className="mt-3 font-bold">Effect</h3>
      <Select
        label="What it does to its target"
        value={phrase.effect}
        options={EFFECTS}
        onChange={(effect) => void report(put("effect", (p) => ({ ...p, effect })))}
      />
      <MaskFields phrase={phrase} put={put} />
      <EditField
        label="Masked by what the target does not report, such as a switch"
        value={phrase.maskedBy}
        onCommit={(maskedBy) => put("maskedBy", (p) => ({ ...p, maskedBy }))}
      />
      <ProofFields id={id} phrase={phrase} put={put} />
    </SidePanel>
  );
}

const EFFECTS: { value: Phrase["effect"]; text: string }[] = [
  { value: "UNKNOWN", text: "not known yet" },
  { value: "VALUE", text: "sets a value" },
  { value: "EVENT", text: "something happens each time" },
  { value: "TOGGLE", text: "turns over each time" },
  { value: "DANGEROUS", text: "dangerous: only ever by hand" },
];
