import type { CueAction, CueActionOf, Problem } from "../../api/types";

/** What the fields of an action are given. */
export interface FieldsOf<K extends CueAction["does"] = CueAction["does"]> {
  action: CueActionOf<K>;
  /** Changes some of what it says; the first names the field. */
  set: (field: string, change: Partial<CueActionOf<K>>) => Promise<Problem[]>;
  /** The same, from what it is when the edit's turn comes. */
  put: (field: string, update: (now: CueActionOf<K>) => CueActionOf<K>) => Promise<Problem[]>;
}
