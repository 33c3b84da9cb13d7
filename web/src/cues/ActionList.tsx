import { ArrowDown, ArrowUp, Plus, Trash2 } from "lucide-react";
import type { CueAction, Problem } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { report } from "../ui/notices";
import { ActionFields } from "./action/ActionFields";
import { ACTIONS, freshAction } from "./actions";

interface Props {
  actions: CueAction[];
  /** Changes them from what they are when the edit's turn comes; the first names the field. */
  put: (field: string, update: (before: CueAction[]) => CueAction[]) => Promise<Problem[]>;
  /** Where they stand in their part. */
  field?: string;
  /** What the group of buttons is called that adds one. */
  label?: string;
}

/** What is done together, in order: of a cue, or of a song. */
export function ActionList({ actions, put, field = "actions", label = "Add an action" }: Props) {
  const parts = useShow((s) => s.parts);
  return (
    <>
      <ol className="flex flex-col gap-2">
        {actions.map((action, i) => (
          <li key={i} aria-label={`Action ${i + 1}`} className="rounded border border-rule bg-panel p-2">
            <div className="mb-1 flex items-center gap-1">
              <span className="mr-auto font-bold">{ACTIONS[action.does].text}</span>
              <Tool
                label={`Move action ${i + 1} up`}
                Icon={ArrowUp}
                disabled={i === 0}
                act={() => put(field, (all) => swapped(all, i, i - 1))}
              />
              <Tool
                label={`Move action ${i + 1} down`}
                Icon={ArrowDown}
                disabled={i === actions.length - 1}
                act={() => put(field, (all) => swapped(all, i, i + 1))}
              />
              <Tool
                label={`Remove action ${i + 1}`}
                Icon={Trash2}
                act={() => put(field, (all) => all.filter((_, k) => k !== i))}
              />
            </div>
            <ActionFields
              action={action}
              put={(own, update) =>
                put(`${field}/${i}/${own}`, (all) => all.map((each, k) => (k === i ? update(each) : each)))
              }
            />
          </li>
        ))}
      </ol>
      <div className="grid grid-cols-2 gap-1.5" role="group" aria-label={label}>
        {Object.entries(ACTIONS).map(([does, { text, Icon }]) => (
          <button
            key={does}
            className="flex items-center gap-2 rounded border border-rule bg-raised px-2 py-1.5 text-left"
            onClick={() =>
              void report(
                put(field, (all) => [
                  ...all,
                  freshAction(does as CueAction["does"], partsOf(parts, "target")[0]?.part.id ?? null),
                ]),
              )
            }
          >
            <Plus size={14} aria-hidden />
            <Icon size={18} aria-hidden /> {text}
          </button>
        ))}
      </div>
    </>
  );
}

function swapped<T>(all: T[], one: number, other: number): T[] {
  const next = [...all];
  [next[one], next[other]] = [next[other]!, next[one]!];
  return next;
}

interface ToolProps {
  label: string;
  Icon: typeof ArrowUp;
  disabled?: boolean;
  act: () => Promise<Problem[]>;
}

function Tool({ label, Icon, disabled, act }: ToolProps) {
  return (
    <button
      aria-label={label}
      title={label}
      disabled={disabled}
      className="p-1.5 text-quiet disabled:opacity-30"
      onClick={() => void report(act())}
    >
      <Icon size={16} aria-hidden />
    </button>
  );
}
