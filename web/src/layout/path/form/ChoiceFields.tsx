import type { FormOf } from "../../../api/types";
import { EditField } from "../../../ui/EditField";
import { report } from "../../../ui/notices";
import { Select } from "../../../ui/Select";
import type { FieldsOf } from "./fields";

/** One option a line, its label and after a bar what is sent for it. */
export function ChoiceFields({ form, put }: FieldsOf<"choice">) {
  const written = form.options
    .map((o) => (o.label === o.text ? o.text : `${o.label} | ${o.text}`))
    .join("; ");
  const read = (text: string) =>
    text
      .split(";")
      .map((each) => each.split("|").map((word) => word.trim()))
      .filter(([label]) => label)
      .map(([label, sent]) => ({ label: label!, text: sent || label! }));
  return (
    <>
      <EditField
        label="Options: label | what is sent; …"
        mono
        value={written}
        onCommit={(text) => put("form/options", { options: read(text) })}
      />
      <Select<FormOf<"choice">["direction"]>
        label="Arrange as"
        value={form.direction}
        onChange={(direction) => void report(put("form", { direction }))}
        options={[
          { value: "UP", text: "in a column" },
          { value: "RIGHT", text: "in a row" },
        ]}
      />
    </>
  );
}
