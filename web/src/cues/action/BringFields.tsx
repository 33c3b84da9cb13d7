import { FORMS } from "../../layout/path/forms";
import { inDraft, nameOf, pageOf } from "../../live/laid";
import { partOf, partsOf, useShow } from "../../live/show";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import type { FieldsOf } from "./fields";

const NONE = "none";

export function BringFields({ action, put }: FieldsOf<"bring">) {
  const parts = useShow((s) => s.parts);
  const controls = partsOf(parts, "control")
    .filter((c) => FORMS[c.part.body.form.kind].hands && !inDraft(parts, pageOf(parts, c.part.id) ?? ""))
    .map((c) => ({
      value: c.part.id,
      text: `${nameOf(c.part.body)} · ${partOf(parts, "page", pageOf(parts, c.part.id))?.part.body.name ?? ""}`,
    }))
    .sort((a, b) => (a.text < b.text ? -1 : 1));
  const form = partOf(parts, "control", action.control)?.part.body.form;
  const axes = (form && FORMS[form.kind].axes) ?? [""];
  return (
    <>
      <Select
        className="col-span-2"
        label="Control"
        value={action.control && parts.has(action.control) ? action.control : NONE}
        onChange={(id) =>
          void report(
            put("control", (now) => {
              const kind = partOf(parts, "control", id)?.part.body.form.kind;
              const count = (kind && FORMS[kind].axes?.length) ?? 1;
              return {
                ...now,
                control: id === NONE ? null : id,
                to: Array.from({ length: count }, (_, i) => now.to[i] ?? 0.5),
              };
            }),
          )
        }
        options={[{ value: NONE, text: "not chosen yet" }, ...controls]}
      />
      {axes.map((name, axis) => (
        <NumberField
          key={axis}
          label={name ? `To, ${name}, %` : "To, %"}
          value={Math.round((action.to[axis] ?? 0) * 100_000) / 1000}
          onCommit={(percent) =>
            put("to", (now) => ({ ...now, to: now.to.map((each, i) => (i === axis ? percent / 100 : each)) }))
          }
        />
      ))}
    </>
  );
}
