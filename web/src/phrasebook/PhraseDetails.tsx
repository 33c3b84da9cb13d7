import { Plus, Trash2 } from "lucide-react";
import { change } from "../api/edits";
import { setValues } from "../api/phrasebooks";
import type { Phrase, PhraseArgument, Problem } from "../api/types";
import type { HeldOf } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { MarksField } from "../ui/MarksField";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { SidePanel } from "../ui/SidePanel";
import { TYPES } from "../ui/types";
import { valueWords } from "./words";

const NEW: PhraseArgument = {
  type: "FLOAT32",
  low: 0,
  high: 1,
  unit: "",
  choices: [],
  fixed: null,
  marks: [],
};

const withArgument = (phrase: Phrase, index: number, change: Partial<PhraseArgument>): Phrase => ({
  ...phrase,
  arguments: phrase.arguments.map((a, i) => (i === index ? { ...a, ...change } : a)),
});

/** Everything of one phrase: its arguments in order, what comes back, and what can stand in its way. */
export function PhraseDetails({ held, onClose }: { held: HeldOf<Phrase>; onClose: () => void }) {
  const phrase = held.part.body;
  const id = held.part.id;
  const put = (field: string, update: (p: Phrase) => Phrase): Promise<Problem[]> =>
    of(field, change(`Change ${phrase.address}`, "phrase", id, update));
  const putArgument = (i: number, change: Partial<PhraseArgument>) =>
    put(`arguments/${i}/high`, (p) => withArgument(p, i, change));
  const { answer } = phrase;

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
        onClick={() => void report(put("arguments", (p) => ({ ...p, arguments: [...p.arguments, NEW] })))}
      >
        <Plus size={16} aria-hidden /> Argument
      </PushButton>

      <h3 className="mt-3 font-bold">Expected answer</h3>
      <Select
        label="Answer"
        value={answer.kind}
        options={[
          { value: "SAME", text: "the same address" },
          { value: "OTHER", text: "another address" },
          { value: "QUERY", text: "only when it is asked" },
          { value: "NONE", text: "nothing" },
        ]}
        onChange={(kind) =>
          void report(
            put("answer/address", (p) => ({
              ...p,
              answer: { ...p.answer, kind, address: kind === "OTHER" ? p.answer.address || p.address : "" },
            })),
          )
        }
      />
      {answer.kind === "OTHER" && (
        <EditField
          label="Its address, with the same slots"
          mono
          value={answer.address}
          onCommit={(address) => put("answer/address", (p) => ({ ...p, answer: { ...p.answer, address } }))}
        />
      )}
      {(answer.kind !== "NONE" || phrase.direction === "IN") && (
        <NumberField
          label="It says the value in words in argument (0: it does not)"
          whole
          value={answer.words === null ? 0 : answer.words + 1}
          onCommit={(n) =>
            put("answer/words", (p) => ({ ...p, answer: { ...p.answer, words: n ? n - 1 : null } }))
          }
        />
      )}
      {answer.kind !== "NONE" && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label="within, seconds"
            value={answer.seconds}
            onCommit={(seconds) => put("answer/seconds", (p) => ({ ...p, answer: { ...p.answer, seconds } }))}
          />
          <NumberField
            label="as near as, percent of the range"
            value={Math.round(answer.tolerance * 1e4) / 100}
            onCommit={(percent) =>
              put("answer/seconds", (p) => ({ ...p, answer: { ...p.answer, tolerance: percent / 100 } }))
            }
          />
        </div>
      )}
      <EditField
        label="Masked by, such as a mute"
        value={phrase.maskedBy}
        onCommit={(maskedBy) => put("maskedBy", (p) => ({ ...p, maskedBy }))}
      />
    </SidePanel>
  );
}
