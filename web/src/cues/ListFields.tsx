import { Trash2 } from "lucide-react";
import type { CueList } from "../api/types";
import { OptionalCondition } from "../layout/ConditionFields";
import type { HeldOf } from "../live/show";
import { change, remove } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";

/** The list itself: its name, its guard, and the keys of a target that step it. */
export function ListFields({ held }: { held: HeldOf<CueList> }) {
  const { id, body } = held.part;
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
      {(["go", "back"] as const).map((key) => (
        <OptionalCondition
          key={key}
          called={`${key} by a target`}
          label={key === "go" ? "Go when a target says so" : "Back when a target says so"}
          when={body[key]}
          field={key}
          put={(field, update) => put(field, (before) => ({ [key]: update(before[key]) }))}
        />
      ))}
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
