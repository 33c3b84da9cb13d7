import { Plus, Trash2 } from "lucide-react";
import { type ReactNode, useCallback } from "react";
import type { ArgumentSource, CueActionOf, ExampleLine, Problem } from "../../api/types";
import { isLookedUp, LOOKED_UP, lookedUp, LookedUpFields } from "../../layout/path/LookedUpFields";
import { PartSelect } from "../../layout/PartSelect";
import { lookAtTyped } from "../../requests/findings";
import { useLook } from "../../requests/useLook";
import { wireLines } from "../../requests/wire";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { TYPES } from "../../ui/types";
import type { FieldsOf } from "./fields";

const NOT_CHOSEN = "not chosen yet";
const NO_HINT = { problem: null, mend: null };

export function SayFields({ action, set, put }: FieldsOf<"say">) {
  return (
    <LineOf
      line={action}
      set={set}
      put={(field, update) => put(field, (now) => ({ ...now, arguments: update(now.arguments) }))}
    >
      {action.target && (
        <PhrasePick
          target={action.target}
          take={(line) => set("address", { address: line.address, arguments: line.arguments })}
        />
      )}
    </LineOf>
  );
}

export function FadeFields({ action, set, put }: FieldsOf<"fade">) {
  return (
    <>
      <LineOf
        line={action}
        set={set}
        put={(field, update) => put(field, (now) => ({ ...now, arguments: update(now.arguments) }))}
      />
      <FromTo action={action} set={set} put={put} />
    </>
  );
}

type SaidLine = Pick<CueActionOf<"say" | "fade">, "target" | "address" | "arguments">;

interface LineProps {
  line: SaidLine;
  set: (field: string, change: Partial<SaidLine>) => Promise<Problem[]>;
  /** Changes the arguments from what they are when the edit's turn comes. */
  put: (field: string, update: (before: ArgumentSource[]) => ArgumentSource[]) => Promise<Problem[]>;
  children?: ReactNode;
}

/** To which target, which address, with which arguments. */
function LineOf({ line, set, put, children }: LineProps) {
  const { target } = line;
  const look = useCallback(
    async (address: string) => (await lookAtTyped({ target, lines: [address] }))[0] ?? NO_HINT,
    [target],
  );
  return (
    <>
      <PartSelect
        className="col-span-2"
        label="Target"
        kind="target"
        none={NOT_CHOSEN}
        value={target}
        set={(to) => set("target", { target: to })}
      />
      {children}
      <EditField
        className="col-span-2"
        label="Address"
        mono
        value={line.address}
        onCommit={(address) => set("address", { address })}
        look={look}
      />
      {line.arguments.map((source, i) => (
        <div key={i} className="col-span-4 flex flex-wrap items-end gap-1">
          {source.from === "value" ? (
            <p className="min-w-24 flex-1 py-1 text-sm text-quiet">Argument {i + 1}: what fades</p>
          ) : (
            <Select
              className="min-w-24 flex-1"
              label={`Argument ${i + 1}`}
              value={source.from}
              onChange={(from) =>
                void report(
                  put(`arguments/${i}`, (all) =>
                    all.map((each, k) =>
                      k !== i
                        ? each
                        : from === "named" || from === "control" || from === "said"
                          ? lookedUp(from, each.type === "COLOUR" ? "FLOAT32" : each.type)
                          : { from: "fixed", type: each.type, text: "1" },
                    ),
                  ),
                )
              }
              options={[{ value: "fixed", text: "fixed" }, ...LOOKED_UP]}
            />
          )}
          <Select
            className="min-w-24 flex-1"
            label="Type"
            value={source.type}
            onChange={(type) =>
              void report(
                put(`arguments/${i}`, (all) => all.map((each, k) => (k === i ? { ...each, type } : each))),
              )
            }
            options={TYPES.filter(
              ({ value }) => source.from !== "value" || !["TEXT", "BOOLEAN", "COLOUR"].includes(value),
            )}
          />
          {source.from === "fixed" && (
            <EditField
              className="min-w-24 flex-1"
              label="Is"
              mono
              value={source.text}
              onCommit={(text) =>
                put(`arguments/${i}`, (all) =>
                  all.map((each, k) => (k === i && each.from === "fixed" ? { ...each, text } : each)),
                )
              }
            />
          )}
          {source.from !== "value" && (
            <button
              aria-label={`Remove argument ${i + 1}`}
              className="py-1.5 text-quiet"
              onClick={() => void report(put("arguments", (all) => all.filter((_, k) => k !== i)))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          )}
          {isLookedUp(source) && (
            <LookedUpFields
              source={source}
              set={(update) =>
                put(`arguments/${i}`, (all) => all.map((each, k) => (k === i ? update(each) : each)))
              }
            />
          )}
        </div>
      ))}
      <div className="col-span-4">
        <PushButton
          className="px-2! py-0! text-sm"
          onClick={() =>
            void report(
              put("arguments", (all) => {
                const fading = all.findIndex((each) => each.from === "value");
                const fresh: ArgumentSource = { from: "fixed", type: "INT32", text: "1" };
                // what is added to a fade stands before its number, as a channel does
                return fading < 0 ? [...all, fresh] : [...all.slice(0, fading), fresh, ...all.slice(fading)];
              }),
            )
          }
        >
          <Plus size={16} aria-hidden /> Argument
        </PushButton>
      </div>
    </>
  );
}

const BY_HAND = "by hand";

/** A message from the phrasebook of a target, to begin with; nothing where it has none. */
function PhrasePick({ target, take }: { target: string; take: (line: ExampleLine) => Promise<Problem[]> }) {
  const { found } = useLook(target, wireLines);
  if (!found || found.length === 0) return null;
  return (
    <Select
      className="col-span-2"
      label="From its phrasebook"
      value={BY_HAND}
      onChange={(phrase) => {
        const line = found.find((each) => each.phrase === phrase);
        if (line) void report(take(line));
      }}
      options={[
        { value: BY_HAND, text: "choose a message …" },
        ...found.map((line) => ({
          value: line.phrase,
          text: line.meaning ? `${line.phrase} · ${line.meaning}` : line.phrase,
        })),
      ]}
    />
  );
}

const WHERE_IT_IS = "where it is";

function FromTo({ action, set }: FieldsOf<"fade">) {
  const from = (text: string): Promise<Problem[]> => {
    const trimmed = text.trim();
    const commit = (start: number | null) => set("from", { from: start });
    if (trimmed === "" || /^w/i.test(trimmed)) return commit(null);
    return Number.isFinite(Number(trimmed))
      ? commit(Number(trimmed))
      : Promise.resolve([{ part: null, field: "", message: `“${text}” is not a number`, mend: WHERE_IT_IS }]);
  };
  return (
    <>
      <EditField
        className="col-span-2"
        label="From"
        mono
        value={action.from === null ? WHERE_IT_IS : String(action.from)}
        onCommit={from}
      />
      <NumberField label="To" value={action.to} onCommit={(to) => set("to", { to })} />
      <Select
        label="Unknown"
        value={action.unknown}
        onChange={(unknown) => void report(set("unknown", { unknown }))}
        options={[
          { value: "SKIP", text: "skip" },
          { value: "JUMP", text: "jump" },
        ]}
      />
    </>
  );
}
