import { useMemo, useState } from "react";
import type { Arrangement } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { Select } from "../ui/Select";
import { ArrangeDialog } from "./ArrangeDialog";

const ALL = "all";
const NONE = "none";

/** Lines of several controls or cues to another target. */
export function SwapDialog({ controls, onClose }: { controls: string[]; onClose: () => void }) {
  const targets = partsOf(
    useShow((s) => s.parts),
    "target",
  );
  const [from, setFrom] = useState(ALL);
  const [to, setTo] = useState(NONE);
  const arrangement = useMemo<Arrangement | null>(
    () => (to === NONE ? null : { what: "swapTarget", controls, from: from === ALL ? null : from, to }),
    [controls, from, to],
  );
  const options = targets.map((t) => ({ value: t.part.id, text: t.part.body.name }));
  return (
    <ArrangeDialog title="Swap the target" action="Swap" arrangement={arrangement} onClose={onClose}>
      <div className="grid grid-cols-2 gap-2">
        <Select
          label="Lines that go to"
          value={from}
          onChange={setFrom}
          options={[{ value: ALL, text: "anybody" }, ...options]}
        />
        <Select
          label="go from now on to"
          value={to}
          onChange={setTo}
          options={[{ value: NONE, text: "choose a target" }, ...options]}
        />
      </div>
    </ArrangeDialog>
  );
}
