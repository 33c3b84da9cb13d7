import { Trash2 } from "lucide-react";
import { useSyncExternalStore } from "react";
import type { Control } from "../../api/types";
import { positionOf } from "../../controls/useValue";
import type { HeldOf } from "../../live/show";
import { values } from "../../live/values";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { report } from "../../ui/notices";
import { removeSelected } from "../actions";
import { BehaviourFields } from "./BehaviourFields";
import { FormFields } from "./FormFields";
import { putControl } from "./put";

/** What a hand finds: the label, how the control takes a finger, and how it behaves. */
export function TouchCell({ held }: { held: HeldOf<Control> }) {
  const { id, body } = held.part;
  const put = putControl(held);
  const value = useSyncExternalStore(
    (listener) => values.subscribe(id, listener),
    () => values.get(id),
  );
  const at = value?.axes.map((_, axis) => positionOf(value, axis).toFixed(3)).join(" ");

  return (
    <div className="flex flex-col gap-2">
      <EditField label="Label" value={body.label} onCommit={(label) => put("label", () => ({ label }))} />
      <FormFields form={body.form} put={(field, form) => put(field, () => ({ form }))} />
      <BehaviourFields control={body} put={put} />
      <div className="flex items-center justify-between text-sm">
        <span className="text-quiet">
          position <span className="font-mono text-bone">{at ?? "–"}</span>
        </span>
        <PushButton className="px-2! py-0.5!" onClick={() => void report(removeSelected())}>
          <Trash2 size={16} aria-hidden /> Remove
        </PushButton>
      </div>
    </div>
  );
}
