import { Trash2 } from "lucide-react";
import { useSyncExternalStore } from "react";
import type { Control } from "../../api/types";
import { positionOf } from "../../controls/useValue";
import { type HeldOf, partOf, useShow } from "../../live/show";
import { values } from "../../live/values";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { report } from "../../ui/notices";
import { giveOwnLines, removeSelected } from "../actions";
import { type Laid, pageOf } from "../../live/laid";
import { BehaviourFields } from "./BehaviourFields";
import { FaceFields } from "./FaceFields";
import { FormFields } from "./form/FormFields";
import { putControl } from "./put";

/** What a hand finds: the label, how the control takes a finger, and how it behaves. */
export function TouchCell({
  held,
  place,
  playing,
}: {
  held: HeldOf<Control>;
  place: Laid;
  playing?: boolean;
}) {
  const { id, body } = held.part;
  const put = putControl(held);
  const value = useSyncExternalStore(
    (listener) => values.subscribe(id, listener),
    () => values.get(id),
  );
  const at = value?.axes.map((_, axis) => positionOf(value, axis).toFixed(3)).join(" ");

  return (
    <div className="flex flex-col gap-1.5">
      {place.part.body.kind === "twin" && <ShownAgain control={held} twin={place.part.id} />}
      <EditField label="Label" value={body.label} onCommit={(label) => put("label", () => ({ label }))} />
      <FormFields control={held} put={put} />
      <FaceFields control={body} put={put} />
      <BehaviourFields control={body} put={put} />
      <div className="flex flex-wrap items-center justify-between gap-1 text-sm">
        <span className="text-quiet">
          position <span className="font-mono text-bone">{at ?? "–"}</span>
        </span>
        {!playing && (
          <PushButton className="px-2! py-0.5!" onClick={() => void report(removeSelected())}>
            <Trash2 size={16} aria-hidden /> Remove
          </PushButton>
        )}
      </div>
    </div>
  );
}

/** Says that what is selected is only shown here, and what changes where. */
function ShownAgain({ control, twin }: { control: HeldOf<Control>; twin: string }) {
  const parts = useShow((s) => s.parts);
  const page = partOf(parts, "page", pageOf(parts, control.part.id))?.part.body.name;
  return (
    <div className="rounded border border-rule p-2 text-sm">
      <p className="mb-1">
        The same control as on <b>{page ?? "another page"}</b>: what you change here changes there.
      </p>
      <PushButton className="px-2! py-0.5!" onClick={() => void report(giveOwnLines(twin))}>
        Give it lines of its own
      </PushButton>
    </div>
  );
}
