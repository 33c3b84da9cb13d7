import type { ComponentType } from "react";
import type { CueAction, FadeCurve, Problem } from "../../api/types";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { BringFields } from "./BringFields";
import type { FieldsOf } from "./fields";
import { FadeFields, SayFields } from "./LineFields";
import {
  HoldFields,
  LookFields,
  PageFields,
  StartFields,
  SteerListFields,
  SteerSongsFields,
  SteerTrackFields,
} from "./PartFields";

interface Props {
  action: CueAction;
  /** Changes it from what it is when the edit's turn comes; the first names the field. */
  put: (field: string, update: (now: CueAction) => CueAction) => Promise<Problem[]>;
}

const FIELDS: { [K in CueAction["does"]]: ComponentType<FieldsOf<K>> } = {
  say: SayFields,
  fade: FadeFields,
  bring: BringFields,
  look: LookFields,
  page: PageFields,
  start: StartFields,
  hold: HoldFields,
  list: SteerListFields,
  track: SteerTrackFields,
  songs: SteerSongsFields,
};

const CURVES: { value: FadeCurve; text: string }[] = [
  { value: "EVEN", text: "evenly" },
  { value: "SLOW_START", text: "slow at first" },
  { value: "SLOW_END", text: "slow at last" },
  { value: "SLOW_ENDS", text: "slow at both ends" },
];

/** What an action does to what, and how long after its cue it begins. */
export function ActionFields({ action, put }: Props) {
  // one lookup for all kinds: that an action and its fields belong together is what the table says
  const Fields = FIELDS[action.does] as ComponentType<FieldsOf>;
  const { does } = action;
  // an action that somebody has replaced by one of another kind meanwhile stays that one
  const update: FieldsOf["put"] = (field, change) =>
    put(field, (now) => (now.does === does ? change(now) : now));
  const set: FieldsOf["set"] = (field, change) =>
    update(field, (now) => ({ ...now, ...change }) as CueAction);
  return (
    <div className="grid grid-cols-4 gap-1.5">
      <Fields action={action} set={set} put={update} />
      {"seconds" in action && (
        <>
          <NumberField
            label="In, s"
            value={action.seconds}
            onCommit={(seconds) => set("seconds", { seconds })}
          />
          <Select
            className="col-span-2"
            label="Goes"
            value={action.curve}
            onChange={(curve) => void report(set("curve", { curve }))}
            options={CURVES}
          />
        </>
      )}
      <NumberField label="Later, s" value={action.delay} onCommit={(delay) => set("delay", { delay })} />
    </div>
  );
}
