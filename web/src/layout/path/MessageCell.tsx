import { Plus, Trash2 } from "lucide-react";
import { useCallback } from "react";
import type { ArgumentSource, Control, Form, Found, Send } from "../../api/types";
import { type HeldOf, partsOf, useShow } from "../../live/show";
import { lookAtTyped } from "../../requests/findings";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { nameOf } from "../../live/laid";
import { TYPES } from "../../ui/types";
import { briefly, changed, moved, PLAIN_VALUE } from "./arguments";
import { FORMS, usualArguments } from "./forms";
import { LineFindings } from "./LineFindings";
import { isLookedUp, LOOKED_UP, lookedUp, LookedUpFields } from "./LookedUpFields";
import { NumberedTabs } from "./NumberedTabs";
import { type Put, putControl, putSend } from "./put";

interface TabsProps {
  held: HeldOf<Control>;
  index: number;
  choose: (index: number) => void;
  /** Called once one more is there. */
  /** @param from what had the focus when somebody asked for it */
  onAdded: (from: Element | null) => void;
}

/** The sends of a control in the order in which they go out, and one more. */
export function SendTabs({ held, index, choose, onAdded }: TabsProps) {
  const parts = useShow((s) => s.parts);
  const { body } = held.part;
  const put = putControl(held);

  const addSend = () => {
    const fresh: Send = {
      on: FORMS[body.form.kind].on?.value ?? "CHANGE",
      target: partsOf(parts, "target")[0]?.part.id ?? null,
      address: addressFrom(nameOf(body)),
      arguments: usualArguments(body.form),
    };
    const from = document.activeElement;
    void report(put("sends", (control) => ({ sends: [...control.sends, fresh] }))).then((problems) => {
      if (problems.length > 0) return;
      choose(body.sends.length);
      onAdded(from);
    });
  };
  return (
    <NumberedTabs
      name="Send"
      count={body.sends.length}
      chosen={index}
      onChoose={choose}
      onAdd={addSend}
      onMove={(from, to) =>
        void report(put("order of sends", (control) => ({ sends: moved(control.sends, from, to) })))
      }
    />
  );
}

interface Props {
  held: HeldOf<Control>;
  send: Send | undefined;
  index: number;
  /** What the checks say of it. */
  found: Found[];
}

/** One of the sends of a control: to whom it goes, when, where, and with what. */
export function MessageCell({ held, send, index, found }: Props) {
  const { body } = held.part;
  const put = putSend(held, index);

  if (!send) return <p className="text-quiet">This control sends nothing yet. Add a send.</p>;
  return (
    <div className="flex flex-col gap-1.5">
      <LineFindings found={found} />
      <SendFields key={index} send={send} index={index} form={body.form} self={held.part.id} put={put} />
      <div className="flex items-center justify-between gap-2">
        <PushButton
          className="px-2! py-0! text-sm"
          onClick={() => void report(put("arguments", (b) => ({ arguments: [...b.arguments, PLAIN_VALUE] })))}
        >
          <Plus size={16} aria-hidden /> Argument
        </PushButton>
        <button
          className="text-sm text-quiet underline"
          onClick={() =>
            void report(putControl(held)("sends", (b) => ({ sends: b.sends.filter((_, i) => i !== index) })))
          }
        >
          Remove this send
        </button>
      </div>
    </div>
  );
}

/** A first address, made from the name of the control. */
function addressFrom(name: string): string {
  const word = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  return `/${word || "control"}`;
}

const NOBODY = "nobody";
const NO_HINT = { problem: null, mend: null };

interface SendProps {
  send: Send;
  index: number;
  form: Form;
  self: string;
  put: Put<Send>;
}

function SendFields({ send, index, form, self, put }: SendProps) {
  const parts = useShow((s) => s.parts);
  const { target } = send;
  const look = useCallback(
    async (address: string) => (await lookAtTyped({ target, lines: [address] }))[0] ?? NO_HINT,
    [target],
  );
  const { on: own } = FORMS[form.kind];
  return (
    <div className="grid grid-cols-2 gap-1.5">
      <Select
        label="Target"
        value={send.target && parts.has(send.target) ? send.target : NOBODY}
        onChange={(id) => void report(put("target", () => ({ target: id === NOBODY ? null : id })))}
        options={[
          ...partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name })),
          { value: NOBODY, text: "nobody" },
        ]}
      />
      <Select<Send["on"]>
        label="Send on"
        value={send.on}
        onChange={(on) => void report(put("on", () => ({ on })))}
        options={[
          { value: "CHANGE", text: "change" },
          { value: "PRESS", text: "press" },
          { value: "RELEASE", text: "release" },
          { value: "HELD", text: "repeat while held" },
          ...(own ? [own] : []),
        ]}
      />
      <div className="col-span-2" data-address={index}>
        <EditField
          label="Address"
          long
          mono
          value={send.address}
          onCommit={(address) => put("address", () => ({ address }))}
          look={look}
        />
      </div>
      {send.arguments.map((source, i) => (
        <ArgumentFields key={i} source={source} index={i} form={form} self={self} put={put} />
      ))}
    </div>
  );
}

interface ArgumentProps {
  source: ArgumentSource;
  index: number;
  form: Form;
  self: string;
  put: Put<Send>;
}

function ArgumentFields({ source, index, form, self, put }: ArgumentProps) {
  const { axes, own } = FORMS[form.kind];
  const set = (update: (now: ArgumentSource) => ArgumentSource) =>
    put(`arguments/${index}`, (before) => ({ arguments: changed(before.arguments, index, update) }));
  return (
    <div className="col-span-2 flex flex-wrap items-end gap-1">
      <Select
        className="min-w-[4.7rem] flex-1"
        label={`Argument ${index + 1}`}
        value={source.from === "value" ? `value${source.axis}` : source.from}
        onChange={(from) =>
          void report(
            set((now) =>
              from === "fixed"
                ? { from: "fixed", type: "INT32", text: "1" }
                : from === "named" || from === "control" || from === "said"
                  ? lookedUp(from, now.type === "COLOUR" ? "FLOAT32" : now.type)
                  : own && from === own.source.from
                    ? own.source
                    : { ...PLAIN_VALUE, type: now.type, axis: Number(from.slice("value".length)) },
            ),
          )
        }
        options={[
          ...(axes ?? ["value"]).map((text, axis) => ({ value: `value${axis}`, text })),
          { value: "fixed", text: "fixed" },
          ...(own ? [{ value: own.source.from as string, text: own.text }] : []),
          ...LOOKED_UP,
        ]}
      />
      <Select
        className="min-w-[5.6rem] flex-1"
        label="Type"
        value={source.type}
        onChange={(type) => void report(set((now) => ({ ...now, type })))}
        options={TYPES}
      />
      {source.from !== "fixed" && source.from !== "named" && (
        <span className="min-w-10 flex-1 self-end pb-0.5 font-mono text-sm text-quiet">
          {source.type === "COLOUR"
            ? "all three"
            : "shaping" in source
              ? briefly(source.shaping)
              : source.from === "steps"
                ? `× ${source.each}`
                : "as spelt"}
        </span>
      )}
      <button
        aria-label={`Remove argument ${index + 1}`}
        className="flex-none py-1.5 text-quiet"
        onClick={() =>
          void report(put("arguments", (b) => ({ arguments: b.arguments.filter((_, i) => i !== index) })))
        }
      >
        <Trash2 size={16} aria-hidden />
      </button>
      {isLookedUp(source) && <LookedUpFields source={source} self={self} set={set} />}
      {source.from === "fixed" && (
        <EditField
          className="w-full"
          label="Is"
          mono
          long
          value={source.text}
          onCommit={(text) => set((now) => (now.from === "fixed" ? { ...now, text } : now))}
        />
      )}
    </div>
  );
}
