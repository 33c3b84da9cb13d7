import { Trash2 } from "lucide-react";
import type { Condition, CueList } from "../api/types";
import { ConditionFields } from "../layout/ConditionFields";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { change, remove } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { EditField } from "../ui/EditField";
import { Check, NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";

/** The list itself: its name, its guard, and the keys of a target that step it. */
export function ListFields({ held }: { held: HeldOf<CueList> }) {
  const { id, body } = held.part;
  const target = partsOf(
    useShow((s) => s.parts),
    "target",
  )[0]?.part.id;
  const put = (field: string, update: (before: CueList) => Partial<CueList>) =>
    of(
      field,
      change(`Change ${body.name}`, "cueList", id, (before) => ({ ...before, ...update(before) })),
    );
  return (
    <section aria-label="The list" className="flex flex-col gap-3">
      <p className="text-quiet">Choose a cue to change it. The list itself:</p>
      <div className="grid grid-cols-2 gap-2">
        <EditField label="Name" value={body.name} onCommit={(name) => put("name", () => ({ name }))} />
        <NumberField
          label="A second go counts after, s"
          value={body.guardSeconds}
          onCommit={(guardSeconds) => put("guardSeconds", () => ({ guardSeconds }))}
        />
        <EditField
          className="col-span-2"
          label="Note"
          long
          value={body.note}
          onCommit={(note) => put("note", () => ({ note }))}
        />
      </div>
      {(["go", "back"] as const).map((key) => {
        const when = body[key];
        return (
          <div key={key} role="group" aria-label={`${key} by a target`} className="flex flex-col gap-2">
            <Check
              label={key === "go" ? "Go when a target says so" : "Back when a target says so"}
              checked={when !== null}
              onChange={(on) =>
                void report(
                  put(key, () => ({
                    [key]: on ? { target: target ?? null, address: "/key", argument: 0, text: "1" } : null,
                  })),
                )
              }
            />
            {when && (
              <ConditionFields
                condition={when}
                field={key}
                put={(field, update) => put(field, (before) => ({ [key]: update(before[key] as Condition) }))}
              />
            )}
          </div>
        );
      })}
      <Confirm
        title={`Remove ${body.name}?`}
        text="The list goes with all its cues. Undo brings them back."
        action="Remove the list"
        onConfirm={() => void report(remove(`Remove ${body.name}`, id))}
      >
        <PushButton className="self-start">
          <Trash2 size={16} aria-hidden /> Remove this list
        </PushButton>
      </Confirm>
    </section>
  );
}
