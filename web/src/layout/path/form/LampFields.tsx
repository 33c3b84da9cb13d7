import type { FormOf } from "../../../api/types";
import { EditField } from "../../../ui/EditField";
import type { FieldsOf } from "./fields";

type Look = FormOf<"lamp">["states"][number]["look"];
const LOOKS: Look[] = ["DARK", "LIT", "CAUTION", "FAULT", "BLINKING"];

/** One state after the other: what is heard, how it looks, and after a bar the word for it. */
export function LampFields({ form, put }: FieldsOf<"lamp">) {
  const written = form.states
    .map((s) => `${s.text} ${s.look.toLowerCase()}${s.word ? ` | ${s.word}` : ""}`)
    .join("; ");
  const read = (text: string): FormOf<"lamp">["states"] | string => {
    const states: FormOf<"lamp">["states"] = [];
    for (const each of text.split(";").filter((s) => s.trim())) {
      const [said = "", word = ""] = each.split("|").map((w) => w.trim());
      const look = said.split(" ").at(-1)!.toUpperCase() as Look;
      const heard = said.split(" ").slice(0, -1).join(" ");
      if (!LOOKS.includes(look) || !heard)
        return `“${each.trim()}” needs a text and a look: ${LOOKS.join(", ").toLowerCase()}`;
      states.push({ text: heard, look, word });
    }
    return states;
  };
  return (
    <EditField
      label="States: text look | word; … (empty: on or off)"
      mono
      value={written}
      onCommit={(text) => {
        const states = read(text);
        return typeof states === "string"
          ? Promise.resolve([{ part: null, field: "", message: states, mend: null }])
          : put("form/states", { states });
      }}
    />
  );
}
