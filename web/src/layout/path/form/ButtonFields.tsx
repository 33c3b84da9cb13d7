import type { FormOf } from "../../../api/types";
import { nameOf } from "../../../live/laid";
import { partsOf, useShow } from "../../../live/show";
import { EditField } from "../../../ui/EditField";
import { report } from "../../../ui/notices";
import { Select } from "../../../ui/Select";
import type { FieldsOf } from "./fields";

export function ButtonFields({ control, form, put }: FieldsOf<"button">) {
  return (
    <>
      <Select<FormOf<"button">["action"]>
        label="Press"
        value={form.action}
        onChange={(action) => void report(put("form", { action }))}
        options={[
          { value: "MOMENTARY", text: "momentary" },
          { value: "LATCHING", text: "toggle" },
          { value: "ONE_SHOT", text: "trigger" },
        ]}
      />
      <GroupField control={control} form={form} put={put} />
    </>
  );
}

/** The name of a group of buttons, and which others have it. */
function GroupField({ control, form, put }: FieldsOf<"button">) {
  const { id, parent } = control.part;
  const parts = useShow((s) => s.parts);
  const others = partsOf(parts, "control", parent ?? undefined).filter(
    ({ part: { id: other, body } }) =>
      other !== id && body.form.kind === "button" && body.form.group === form.group,
  );
  return (
    <div>
      <EditField
        label="Exclusive group"
        value={form.group}
        onCommit={(group) => put("form/group", { group: group.trim() })}
      />
      {form.group && (
        <p className="text-sm text-quiet">
          {others.length
            ? `with ${others.map(({ part }) => nameOf(part.body)).join(", ")}`
            : "No other button beside it has this group yet."}
        </p>
      )}
    </div>
  );
}
