import { useMemo, useState } from "react";
import type { Arrangement } from "../api/types";
import { Check, TextField } from "../ui/fields";
import { ArrangeDialog } from "./ArrangeDialog";

/** A text in addresses and labels for another; of some controls or cues, or of the whole show. */
export function ReplaceDialog({
  controls,
  called = "controls",
  onClose,
}: {
  controls: string[];
  called?: "controls" | "cues";
  onClose: () => void;
}) {
  const [find, setFind] = useState("");
  const [put, setPut] = useState("");
  const [inAddresses, setInAddresses] = useState(true);
  const [inLabels, setInLabels] = useState(false);
  const arrangement = useMemo<Arrangement | null>(
    () => (find ? { what: "replace", controls, find, put, inAddresses, inLabels } : null),
    [controls, find, put, inAddresses, inLabels],
  );
  return (
    <ArrangeDialog
      title={
        controls.length
          ? `Find and replace in ${controls.length} ${called}`
          : "Find and replace in the whole show"
      }
      action="Replace"
      arrangement={arrangement}
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-2">
        <TextField label="Find" mono value={find} onChange={setFind} />
        <TextField label="Put" mono value={put} onChange={setPut} />
      </div>
      <div className="flex gap-6">
        <Check label="in addresses" checked={inAddresses} onChange={setInAddresses} />
        <Check label="in labels and names of cues" checked={inLabels} onChange={setInLabels} />
      </div>
    </ArrangeDialog>
  );
}
