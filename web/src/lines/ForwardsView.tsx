import { ArrowRight, Plus, Trash2 } from "lucide-react";
import type { ArgumentSource, ForwardStatus, Forward, Problem } from "../api/types";
import { FindingList } from "../findings/FindingLine";
import { useFindingsOf } from "../findings/findings";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { change, edit, remove } from "../requests/edits";
import { forwardStatus, shapeForward } from "../requests/forwards";
import { useAgain } from "../requests/useAgain";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { TYPES } from "../ui/types";

const EVERY_MS = 500;
const NOBODY = "nobody";

/** What one target says drives another one: each forward with its way, and what became of what it heard. */
export function ForwardsView() {
  const parts = useShow((s) => s.parts);
  const forwards = partsOf(parts, "forward");
  const targets = partsOf(parts, "target");
  const { found } = useAgain("forwards", forwardStatus, EVERY_MS);
  const add = () => {
    const fresh: Forward = {
      kind: "forward",
      name: `Forward ${forwards.length + 1}`,
      on: true,
      from: targets[0]?.part.id ?? null,
      heard: "/address",
      argument: 0,
      shaping: [],
      to: targets[1]?.part.id ?? targets[0]?.part.id ?? null,
      address: "/address",
      arguments: [VALUE],
      askEvery: null,
      perSecond: 50,
    };
    const order = Math.max(0, ...forwards.map((f) => f.part.order)) + 1;
    void report(
      edit("Add a forward", [
        {
          step: "put",
          basedOn: 0,
          part: { id: crypto.randomUUID(), parent: null, order, body: fresh },
        },
      ]),
    );
  };
  return (
    <main className="mx-auto flex w-full max-w-[84rem] min-h-0 flex-1 flex-col gap-3 overflow-auto p-4 max-md:px-2">
      <header className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-bold">Forwards</h1>
        <PushButton strong onClick={add} disabled={targets.length === 0}>
          <Plus size={18} aria-hidden /> Add forward
        </PushButton>
      </header>
      {forwards.length === 0 && (
        <p className="text-lg text-quiet">
          {targets.length === 0
            ? "No target yet. Add one in Rig; then what it says can drive another one."
            : "No forward yet. A forward lets what one target says drive another: a wave height that resets the water once it runs over, a desk level that dims a lantern."}
        </p>
      )}
      <ul className="flex flex-col gap-3">
        {forwards.map((held) => (
          <ForwardCard
            key={held.part.id}
            held={held}
            status={found?.find((each) => each.forward === held.part.id)}
          />
        ))}
      </ul>
    </main>
  );
}

const NEVER = "never";

/** Seconds, or never: most targets tell by themselves. */
function askEvery(text: string, commit: (seconds: number | null) => Promise<Problem[]>): Promise<Problem[]> {
  const trimmed = text.trim().replace(/ ?s$/, "");
  if (trimmed === "" || /^n/i.test(trimmed)) return commit(null);
  if (Number.isFinite(Number(trimmed))) return commit(Number(trimmed));
  const dotted = trimmed.replace(",", ".");
  const mend = Number.isFinite(Number(dotted)) ? dotted : NEVER;
  return Promise.resolve([{ part: null, field: "", message: `“${text}” is not a number of seconds`, mend }]);
}

const VALUE: ArgumentSource = { from: "value", type: "FLOAT32", shaping: [], axis: 0 };

function ForwardCard({ held, status: now }: { held: HeldOf<Forward>; status?: ForwardStatus }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const findings = useFindingsOf(id);
  const targets = partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name }));
  const options = [...targets, { value: NOBODY, text: "nobody" }];
  const put = (field: string, update: (before: Forward) => Partial<Forward>) =>
    of(
      field,
      change(`Change ${body.name}`, "forward", id, (before) => ({ ...before, ...update(before) })),
    );
  const putArgument = (index: number, update: (before: ArgumentSource) => ArgumentSource) =>
    put(`arguments/${index}`, (before) => ({
      arguments: before.arguments.map((each, i) => (i === index ? update(each) : each)),
    }));
  const chosen = (target: string | null) => (target && parts.has(target) ? target : NOBODY);

  return (
    <li
      aria-label={`Forward ${body.name}`}
      data-forward={body.name}
      className={`rounded border border-rule bg-panel p-3 ${body.on ? "" : "opacity-60"}`}
    >
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <label className="flex items-center gap-2 pb-1">
          <input
            type="checkbox"
            className="h-5 w-5 accent-select"
            checked={body.on}
            onChange={(e) => {
              const on = e.target.checked;
              void report(put("on", () => ({ on })));
            }}
          />
          On
        </label>
        <EditField
          className="w-56"
          label="Name"
          value={body.name}
          onCommit={(name) => put("name", () => ({ name }))}
        />
        <p role="status" className="flex-1 pb-1 font-mono text-sm max-sm:order-last max-sm:basis-full">
          {now && (
            <>
              <span className="text-in">heard {now.heard}</span>{" "}
              <span className="text-out">
                sent {now.sent} {now.said && `last ${now.said}`}
              </span>
              {now.stopped && <span className="block font-sans text-caution">{now.stopped}.</span>}
            </>
          )}
        </p>
        <button
          aria-label={`Remove ${body.name}`}
          title="Remove"
          className="p-1.5 text-quiet"
          onClick={() => void report(remove(`Remove ${body.name}`, id))}
        >
          <Trash2 size={18} aria-hidden />
        </button>
      </div>
      <div className="grid grid-cols-[1fr_auto_1fr_auto_1.3fr] items-start gap-3 max-lg:grid-cols-1">
        <fieldset className="grid grid-cols-2 gap-1.5" aria-label="Heard">
          <Select
            label="When"
            value={chosen(body.from)}
            onChange={(to) => void report(put("from", () => ({ from: to === NOBODY ? null : to })))}
            options={options}
          />
          <EditField
            className="col-span-2"
            label="says"
            mono
            value={body.heard}
            onCommit={(heard) => put("heard", () => ({ heard }))}
          />
          <NumberField
            label="Argument"
            whole
            value={body.argument + 1}
            onCommit={(n) => put("argument", () => ({ argument: n - 1 }))}
          />
          <EditField
            label="Ask every, s"
            mono
            value={body.askEvery === null ? NEVER : String(body.askEvery)}
            onCommit={(text) => askEvery(text, (seconds) => put("askEvery", () => ({ askEvery: seconds })))}
          />
        </fieldset>
        <ArrowRight className="self-center text-quiet max-lg:hidden" aria-hidden />
        <div className="flex flex-col gap-1.5">
          <EditField
            label="Steps"
            mono
            long
            value={now?.shaping ?? ""}
            onCommit={(text) => of("shaping", shapeForward(id, text))}
          />
          <p className="text-sm text-quiet">
            Empty: as it is heard. <span className="font-mono">scale 0 30 to 0 1 | smooth 0.25</span>, or{" "}
            <span className="font-mono">threshold 20 2 | edge rising</span> for once over a limit.
          </p>
        </div>
        <ArrowRight className="self-center text-quiet max-lg:hidden" aria-hidden />
        <fieldset className="grid grid-cols-2 gap-1.5" aria-label="Sent">
          <Select
            label="Send to"
            value={chosen(body.to)}
            onChange={(to) => void report(put("to", () => ({ to: to === NOBODY ? null : to })))}
            options={options}
          />
          <NumberField
            label="At most a second"
            whole
            value={body.perSecond}
            onCommit={(perSecond) => put("perSecond", () => ({ perSecond }))}
          />
          <EditField
            className="col-span-2"
            label="Address"
            mono
            value={body.address}
            onCommit={(address) => put("address", () => ({ address }))}
          />
          {body.arguments.map((source, i) => (
            <div key={i} className="col-span-2 flex items-end gap-1">
              <Select
                className="flex-1"
                label={`Argument ${i + 1}`}
                value={source.from}
                onChange={(from) =>
                  void report(
                    putArgument(i, (before) =>
                      from === "fixed"
                        ? { from: "fixed", type: "INT32", text: "1" }
                        : { ...VALUE, type: before.type },
                    ),
                  )
                }
                options={[
                  { value: "value", text: "what came out" },
                  { value: "fixed", text: "fixed" },
                ]}
              />
              <Select
                className="flex-1"
                label="Type"
                value={source.type}
                onChange={(type) => void report(putArgument(i, (before) => ({ ...before, type })))}
                options={TYPES.filter(({ value }) => value !== "COLOUR")}
              />
              {source.from === "fixed" && (
                <EditField
                  className="flex-1"
                  label="Is"
                  mono
                  value={source.text}
                  onCommit={(text) =>
                    putArgument(i, (before) => (before.from === "fixed" ? { ...before, text } : before))
                  }
                />
              )}
              <button
                aria-label={`Remove argument ${i + 1}`}
                title="Remove"
                className="py-1.5 text-quiet"
                onClick={() =>
                  void report(
                    put("arguments", (before) => ({ arguments: before.arguments.filter((_, k) => k !== i) })),
                  )
                }
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </div>
          ))}
          <PushButton
            className="col-span-2 justify-self-start px-2! py-0! text-sm"
            onClick={() =>
              void report(put("arguments", (before) => ({ arguments: [...before.arguments, VALUE] })))
            }
          >
            <Plus size={16} aria-hidden /> Argument
          </PushButton>
        </fieldset>
      </div>
      {findings.length > 0 && (
        <div className="mt-2">
          <FindingList findings={findings} label={`Findings of ${body.name}`} />
        </div>
      )}
    </li>
  );
}
