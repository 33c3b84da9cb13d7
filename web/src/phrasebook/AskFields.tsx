import type { AskRule, Phrase } from "../api/types";
import { EditField } from "../ui/EditField";
import { Check } from "../ui/fields";
import { report } from "../ui/notices";
import type { PutPhrase } from "./put";
import { placesOf, placesText } from "./words";

const ON_AN_ADDRESS: AskRule = { address: "", fixed: false, answeredOn: "", places: [] };

/** How it is asked what stands, where its own address without arguments is not the question. */
export function AskFields({ phrase, put }: { phrase: Phrase; put: PutPhrase }) {
  const { ask } = phrase.answer;
  const set = (field: keyof AskRule, change: Partial<AskRule> | null) =>
    put(`answer/ask/${field}`, (p) => ({
      ...p,
      answer: { ...p.answer, ask: change && { ...(p.answer.ask ?? ON_AN_ADDRESS), ...change } },
    }));
  return (
    <>
      <EditField
        label="Asked on this address, with the same slots (empty: its own)"
        mono
        value={ask?.address ?? ""}
        onCommit={(address) => set("address", address.trim() ? { address: address.trim() } : null)}
      />
      {ask && (
        <>
          <Check
            label="The question carries the fixed arguments, such as a channel number"
            checked={ask.fixed}
            onChange={(fixed) => void report(set("fixed", { fixed }))}
          />
          <EditField
            label="Answered on (empty: the same address)"
            mono
            value={ask.answeredOn}
            onCommit={(answeredOn) => set("answeredOn", { answeredOn: answeredOn.trim() })}
          />
          <EditField
            label="The answer says it in its arguments number (empty: in the same places), such as 2, 3"
            value={placesText(ask.places)}
            onCommit={(text) => {
              const places = placesOf(text);
              return places
                ? set("places", { places })
                : Promise.resolve([
                    {
                      part: null,
                      field: "answer/ask/places",
                      message: "Write numbers, such as 2, 3",
                      mend: null,
                    },
                  ]);
            }}
          />
        </>
      )}
    </>
  );
}
