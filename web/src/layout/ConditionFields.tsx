import type { Condition, Problem } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { EditField } from "../ui/EditField";
import { Check } from "../ui/fields";
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

interface OptionalProps {
  /** What it is called as a group, and the words of its check box. */
  called: string;
  label: string;
  when: Condition | null;
  field: string;
  /** Changes it, or takes it away, from what it is when the edit's turn comes. */
  put: (field: string, update: (now: Condition | null) => Condition | null) => Promise<Problem[]>;
}

/** Something that a target may say, or that nobody waits for. */
export function OptionalCondition({ called, label, when, field, put }: OptionalProps) {
  const target = partsOf(
    useShow((s) => s.parts),
    "target",
  )[0]?.part.id;
  return (
    <div role="group" aria-label={called} className="flex flex-col gap-2">
      <Check
        label={label}
        checked={when !== null}
        onChange={(on) =>
          void report(
            put(field, () =>
              on ? { target: target ?? null, address: "/key", argument: 0, text: "1" } : null,
            ),
          )
        }
      />
      {when && (
        <ConditionFields
          condition={when}
          field={field}
          put={(at, update) => put(at, (now) => (now ? update(now) : null))}
        />
      )}
    </div>
  );
}
