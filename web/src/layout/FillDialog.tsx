import { useMemo, useState } from "react";
import { fillStart } from "../requests/lines";
import type { Arrangement } from "../api/types";
import { useLook } from "../requests/useLook";
import { Select } from "../ui/Select";
import { TextField } from "../ui/fields";
import { ArrangeDialog } from "./ArrangeDialog";

type Field = Extract<Arrangement, { what: "fill" }>["field"];

/** A row of controls gets numbers that run. */
export function FillDialog({ controls, onClose }: { controls: string[]; onClose: () => void }) {
  const { found: starts } = useLook(controls, fillStart);
  const [field, setField] = useState<Field>("ADDRESS");
  /** Nothing where it was not touched: then it is what it begins with. */
  const [typed, setTyped] = useState<string | null>(null);
  const text =
    typed ?? (starts ? { ADDRESS: starts.address, LABEL: starts.label, VALUE: starts.value }[field] : null);
  const arrangement = useMemo<Arrangement | null>(
    () => (text === null ? null : { what: "fill", controls, field, text }),
    [controls, field, text],
  );
  return (
    <ArrangeDialog title="Fill across" action="Fill" arrangement={arrangement} onClose={onClose}>
      <div className="grid grid-cols-[12rem_1fr] gap-2">
        <Select<Field>
          label="Fill"
          value={field}
          onChange={(next) => {
            setField(next);
            setTyped(null);
          }}
          options={[
            { value: "ADDRESS", text: "the address" },
            { value: "LABEL", text: "the label" },
            { value: "VALUE", text: "the fixed value" },
          ]}
        />
        <TextField label="With" mono value={text ?? ""} onChange={setTyped} />
      </div>
      <p className="text-sm text-quiet">
        A run is written &lt;1..8&gt;, &lt;01..16&gt; or &lt;10..80/10&gt;; a literal &lt; is written
        &lt;&lt;. Controls are filled row by row, each from left to right.
      </p>
    </ArrangeDialog>
  );
}
