import type { AnswerRule, Phrase, Tolerance } from "../api/types";
import { EditField } from "../ui/EditField";
import { NumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { AskFields } from "./AskFields";
import type { PutPhrase } from "./put";
import { placesOf, placesText } from "./words";

const FROM: { value: AnswerRule["kind"]; text: string }[] = [
  { value: "SAME", text: "on the same address" },
  { value: "OTHER", text: "on another address" },
  { value: "QUERY", text: "only when it is asked" },
  { value: "NONE", text: "nothing comes" },
];

const SAYS: { value: AnswerRule["says"]; text: string }[] = [
  { value: "SAME", text: "the value that was sent" },
  { value: "GIVEN", text: "always the same value" },
  { value: "ANY", text: "anything" },
];

const TOLD: { value: AnswerRule["told"]; text: string }[] = [
  { value: "UNKNOWN", text: "not known yet" },
  { value: "EVERYBODY", text: "everybody" },
  { value: "OTHERS", text: "all but who made it" },
  { value: "WHO_ASKS", text: "only who asks" },
  { value: "SUBSCRIBERS", text: "who asked to be told" },
];

const NEAR: { value: Tolerance["unit"] | "TYPE"; text: string }[] = [
  { value: "TYPE", text: "as its type needs" },
  { value: "SHARE", text: "percent of the range" },
  { value: "AMOUNT", text: "this much" },
  { value: "STEP", text: "steps of" },
];

/** The answer to a phrase: on which address, how exact and how soon. */
export function AnswerFields({ phrase, put }: { phrase: Phrase; put: PutPhrase }) {
  const { answer } = phrase;
  const set = (field: keyof AnswerRule, change: (before: AnswerRule) => Partial<AnswerRule>) =>
    put(`answer/${field}`, (p) => ({ ...p, answer: { ...p.answer, ...change(p.answer) } }));
  const comes = answer.kind !== "NONE";
  return (
    <>
      <h3 className="mt-3 font-bold">Expected answer</h3>
      <Select
        label="Answer"
        value={answer.kind}
        options={FROM}
        onChange={(kind) =>
          void report(
            set("address", (before) => ({
              kind,
              address: kind === "OTHER" ? before.address || phrase.address : "",
            })),
          )
        }
      />
      {answer.kind === "OTHER" && (
        <EditField
          label="Its address, with the same slots"
          mono
          value={answer.address}
          onCommit={(address) => set("address", () => ({ address }))}
        />
      )}
      {comes && (
        <>
          <Select
            label="It says"
            value={answer.says}
            options={SAYS}
            onChange={(says) =>
              void report(
                set("given", (before) => ({ says, given: says === "GIVEN" ? before.given || "1" : "" })),
              )
            }
          />
          {answer.says === "GIVEN" && (
            <EditField
              label="This value"
              value={answer.given}
              onCommit={(given) => set("given", () => ({ given }))}
            />
          )}
          {answer.says !== "ANY" && (
            <EditField
              label="In its arguments number (empty: in the same places), such as 2, 3"
              value={placesText(answer.places)}
              onCommit={(text) => {
                const places = placesOf(text);
                return places
                  ? set("places", () => ({ places }))
                  : Promise.resolve([
                      {
                        part: null,
                        field: "answer/places",
                        message: "Write numbers, such as 2, 3",
                        mend: null,
                      },
                    ]);
              }}
            />
          )}
          {answer.says === "SAME" && <Nearness answer={answer} set={set} />}
          {answer.says === "SAME" && <AskFields phrase={phrase} put={put} />}
          <div className="grid grid-cols-2 items-end gap-2">
            <NumberField
              label="Within, seconds"
              value={answer.seconds}
              onCommit={(seconds) => set("seconds", () => ({ seconds }))}
            />
            <NumberField
              label="Final value, seconds after the first (0: the first is final)"
              value={answer.finalSeconds ?? 0}
              onCommit={(n) => set("finalSeconds", () => ({ finalSeconds: n || null }))}
            />
          </div>
        </>
      )}
      <Select
        label="Who is told of a change"
        value={answer.told}
        options={TOLD}
        onChange={(told) => void report(set("told", () => ({ told })))}
      />
      {(comes || phrase.direction === "IN") && (
        <NumberField
          label="It says the value in words in argument (0: it does not)"
          whole
          value={answer.words === null ? 0 : answer.words + 1}
          onCommit={(n) => set("words", () => ({ words: n ? n - 1 : null }))}
        />
      )}
    </>
  );
}

type Set = (
  field: keyof AnswerRule,
  change: (before: AnswerRule) => Partial<AnswerRule>,
) => ReturnType<PutPhrase>;

/** How near the value that comes back has to be: in percent, in its own unit, or in steps. */
function Nearness({ answer, set }: { answer: AnswerRule; set: Set }) {
  const near = answer.tolerance;
  const factor = near?.unit === "SHARE" ? 100 : 1;
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <Select
        label="As near as"
        value={near?.unit ?? "TYPE"}
        options={NEAR}
        onChange={(unit) =>
          void report(
            set("tolerance", () => ({
              tolerance: unit === "TYPE" ? null : { unit, of: unit === "SHARE" ? 0.01 : 1 },
            })),
          )
        }
      />
      {near && (
        <NumberField
          label="How much"
          value={Math.round(near.of * factor * 1e4) / 1e4}
          onCommit={(n) => set("tolerance", () => ({ tolerance: { unit: near.unit, of: n / factor } }))}
        />
      )}
    </div>
  );
}
