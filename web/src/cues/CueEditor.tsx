import { ArrowDown, ArrowUp, Plus, Trash2 } from "lucide-react";
import type { Cue, CueAction, CueFollow, CueMark } from "../api/types";
import { FindingList } from "../findings/FindingLine";
import { useFindingsOf } from "../findings/findings";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { change } from "../requests/edits";
import { EditField } from "../ui/EditField";
import { Check, NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { ActionFields } from "./ActionFields";
import { ACTIONS, freshAction } from "./actions";

const FOLLOWS: { value: CueFollow["how"]; text: string }[] = [
  { value: "HAND", text: "by hand" },
  { value: "AFTER", text: "by itself, after a wait" },
  { value: "TOGETHER", text: "together with this one" },
  { value: "ANSWERED", text: "when all was answered" },
];

const SHADES: { value: CueMark["shade"]; text: string }[] = [
  { value: "NONE", text: "none" },
  { value: "BLUE", text: "blue" },
  { value: "GREEN", text: "green" },
  { value: "YELLOW", text: "yellow" },
  { value: "RED", text: "red" },
  { value: "VIOLET", text: "violet" },
];

const FIRST_WAIT = 2;

/** One cue: what it is called, what it does in order, and how the next one follows. */
export function CueEditor({ held }: { held: HeldOf<Cue> }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const put = (field: string, update: (before: Cue) => Partial<Cue>) =>
    of(
      field,
      change(`Change cue ${body.number}`, "cue", id, (before) => ({ ...before, ...update(before) })),
    );
  const putFollow = (update: Partial<CueFollow>) =>
    put("follow/seconds", (before) => ({ follow: { ...before.follow, ...update } }));
  const putMark = (update: Partial<CueMark>) =>
    put("mark/word", (before) => ({ mark: { ...before.mark, ...update } }));
  const putActions = (field: string, update: (before: CueAction[]) => CueAction[]) =>
    put(field, (before) => ({ actions: update(before.actions) }));
  const follow = (how: CueFollow["how"]) =>
    putFollow({
      how,
      seconds: how === "AFTER" || how === "ANSWERED" ? body.follow.seconds || FIRST_WAIT : 0,
    });

  const findings = useFindingsOf(id);
  return (
    <section aria-label={`Cue ${body.number}`} className="flex flex-col gap-3">
      {findings.length > 0 && <FindingList findings={findings} label={`Findings of cue ${body.number}`} />}
      <div className="grid grid-cols-[6rem_1fr] gap-2">
        <EditField
          label="Number"
          mono
          value={body.number}
          onCommit={(number) => put("number", () => ({ number: number.trim() }))}
        />
        <EditField label="Name" value={body.name} onCommit={(name) => put("name", () => ({ name }))} />
        <Select
          label="Colour"
          value={body.mark.shade}
          onChange={(shade) =>
            void report(
              putMark({ shade, word: body.mark.word || (shade === "NONE" ? "" : shade.toLowerCase()) }),
            )
          }
          options={SHADES}
        />
        <EditField label="Its word" value={body.mark.word} onCommit={(word) => putMark({ word })} />
        <EditField
          className="col-span-2"
          label="Note for who says go"
          long
          value={body.note}
          onCommit={(note) => put("note", () => ({ note }))}
        />
      </div>
      <h2 className="text-lg font-bold">Does</h2>
      {body.actions.length === 0 && (
        <p className="text-quiet">
          Nothing yet. Add what it does; each action may begin a while after its go.
        </p>
      )}
      <ol className="flex flex-col gap-2">
        {body.actions.map((action, i) => (
          <li key={i} aria-label={`Action ${i + 1}`} className="rounded border border-rule bg-panel p-2">
            <div className="mb-1 flex items-center gap-1">
              <span className="mr-auto font-bold">{ACTIONS[action.does].text}</span>
              <Tool
                label={`Move action ${i + 1} up`}
                Icon={ArrowUp}
                disabled={i === 0}
                act={() => putActions("actions", (all) => swapped(all, i, i - 1))}
              />
              <Tool
                label={`Move action ${i + 1} down`}
                Icon={ArrowDown}
                disabled={i === body.actions.length - 1}
                act={() => putActions("actions", (all) => swapped(all, i, i + 1))}
              />
              <Tool
                label={`Remove action ${i + 1}`}
                Icon={Trash2}
                act={() => putActions("actions", (all) => all.filter((_, k) => k !== i))}
              />
            </div>
            <ActionFields
              action={action}
              put={(field, update) =>
                putActions(`actions/${i}/${field}`, (all) =>
                  all.map((each, k) => (k === i ? update(each) : each)),
                )
              }
            />
          </li>
        ))}
      </ol>
      <div className="grid grid-cols-2 gap-1.5" role="group" aria-label="Add an action">
        {Object.entries(ACTIONS).map(([does, { text, Icon }]) => (
          <button
            key={does}
            className="flex items-center gap-2 rounded border border-rule bg-raised px-2 py-1.5 text-left"
            onClick={() =>
              void report(
                putActions("actions", (all) => [
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
      <h2 className="text-lg font-bold">The next cue</h2>
      <div className="grid grid-cols-2 gap-2">
        <Select
          label="Begins"
          value={body.follow.how}
          onChange={(how) => void report(follow(how))}
          options={FOLLOWS}
        />
        {(body.follow.how === "AFTER" || body.follow.how === "ANSWERED") && (
          <NumberField
            label={body.follow.how === "AFTER" ? "Seconds after this one began" : "Seconds at most"}
            value={body.follow.seconds}
            onCommit={(seconds) => putFollow({ seconds })}
          />
        )}
        {body.follow.how === "ANSWERED" && (
          <div className="col-span-2">
            <Check
              label="It begins then though not all was answered"
              checked={body.follow.goesOn}
              onChange={(goesOn) => void report(putFollow({ goesOn }))}
            />
          </div>
        )}
      </div>
    </section>
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
  act: () => ReturnType<typeof change>;
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
