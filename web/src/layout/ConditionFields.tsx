import type { Condition, Problem } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { EditField } from "../ui/EditField";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";

interface Props {
  condition: Condition;
  /** Where it stands in its part, for problems beside the right field. */
  field: string;
  /** Changes it from what it is when the edit's turn comes. */
  put: (field: string, update: (now: Condition) => Condition) => Promise<Problem[]>;
}

/** Something that a target says: who, on which address, what. */
export function ConditionFields({ condition, field, put }: Props) {
  const targets = partsOf(
    useShow((s) => s.parts),
    "target",
  );
  return (
    <div className="grid grid-cols-2 gap-2">
      <Select
        label="When target"
        value={condition.target ?? ""}
        onChange={(target) => void report(put(`${field}/target`, (now) => ({ ...now, target })))}
        options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
      />
      <EditField
        label="Says"
        mono
        value={condition.text}
        onCommit={(text) => put(`${field}/text`, (now) => ({ ...now, text }))}
      />
      <EditField
        label="On"
        className="col-span-2"
        mono
        value={condition.address}
        onCommit={(address) => put(`${field}/address`, (now) => ({ ...now, address }))}
      />
    </div>
  );
}
