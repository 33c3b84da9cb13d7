import { Plus, Trash2 } from "lucide-react";
import type { ArgumentSource, Control, Send } from "../../api/types";
import { type HeldOf, partsOf, useShow } from "../../live/show";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { nameOf } from "../actions";
import { PLAIN_VALUE, replaced, TYPES } from "./arguments";
import { type Put, putControl, putSend } from "./put";

interface Props {
  held: HeldOf<Control>;
  send: Send | undefined;
  index: number;
  choose: (index: number) => void;
}

/** The messages of a control: which send is looked at, to whom it goes, when, where, and with what. */
export function MessageCell({ held, send, index, choose }: Props) {
  const parts = useShow((s) => s.parts);
  const { body } = held.part;
  const put = putSend(held, index);

  const addSend = () => {
    const fresh: Send = {
      on: "CHANGE",
      target: partsOf(parts, "target")[0]?.part.id ?? null,
      address: addressFrom(nameOf(body)),
      arguments: [PLAIN_VALUE],
    };
    void report(putControl(held)("sends", (control) => ({ sends: [...control.sends, fresh] })));
    choose(body.sends.length);
  };

  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-1">
        {body.sends.map((_, i) => (
          <PushButton
            key={i}
            aria-pressed={i === index}
            className={`px-2! py-0.5! ${i === index ? "border-select!" : ""}`}
            onClick={() => choose(i)}
          >
            Send {i + 1}
          </PushButton>
        ))}
        <PushButton className="px-2! py-0.5!" strong={body.sends.length === 0} onClick={addSend}>
          <Plus size={16} aria-hidden /> Add send
        </PushButton>
        {send && (
          <>
            <PushButton
              className="px-2! py-0.5!"
              onClick={() =>
                void report(put("arguments", (b) => ({ arguments: [...b.arguments, PLAIN_VALUE] })))
              }
            >
              <Plus size={16} aria-hidden /> Argument
            </PushButton>
            <button
              aria-label="Remove this send"
              className="ml-auto p-1 text-quiet"
              onClick={() =>
                void report(
                  putControl(held)("sends", (b) => ({ sends: b.sends.filter((_, i) => i !== index) })),
                )
              }
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </>
        )}
      </div>
      {send ? (
        <SendFields key={index} send={send} put={put} />
      ) : (
        <p className="text-quiet">This control sends nothing yet. Add a send.</p>
      )}
    </>
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

function SendFields({ send, put }: { send: Send; put: Put<Send> }) {
  const parts = useShow((s) => s.parts);
  return (
    <div className="grid grid-cols-2 gap-2">
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
        label="Goes out on"
        value={send.on}
        onChange={(on) => void report(put("on", () => ({ on })))}
        options={[
          { value: "CHANGE", text: "every change" },
          { value: "PRESS", text: "press" },
          { value: "RELEASE", text: "release" },
        ]}
      />
      <EditField
        label="Address"
        className="col-span-2"
        mono
        value={send.address}
        onCommit={(address) => put("address", () => ({ address }))}
      />
      {send.arguments.map((source, i) => (
        <ArgumentFields key={i} source={source} index={i} put={put} />
      ))}
    </div>
  );
}

function ArgumentFields({ source, index, put }: { source: ArgumentSource; index: number; put: Put<Send> }) {
  const set = (next: ArgumentSource) =>
    put(`arguments/${index}`, (before) => ({ arguments: replaced(before.arguments, index, next) }));
  return (
    <div className="col-span-2 grid grid-cols-[1fr_1.3fr_0.8fr_auto] items-end gap-2">
      <Select
        label={`Argument ${index + 1}`}
        value={source.from}
        onChange={(from) =>
          void report(
            set(
              from === "value"
                ? { ...PLAIN_VALUE, type: source.type }
                : { from: "fixed", type: "INT32", text: "1" },
            ),
          )
        }
        options={[
          { value: "value", text: "value" },
          { value: "fixed", text: "fixed" },
        ]}
      />
      <Select
        label="Type"
        value={source.type}
        onChange={(type) => void report(set({ ...source, type }))}
        options={TYPES}
      />
      {source.from === "fixed" ? (
        <EditField label="Is" mono value={source.text} onCommit={(text) => set({ ...source, text })} />
      ) : (
        <span className="self-center pt-5 font-mono text-sm text-quiet">
          {source.low} … {source.high}
        </span>
      )}
      <button
        aria-label={`Remove argument ${index + 1}`}
        className="p-2 text-quiet"
        onClick={() =>
          void report(put("arguments", (b) => ({ arguments: b.arguments.filter((_, i) => i !== index) })))
        }
      >
        <Trash2 size={16} aria-hidden />
      </button>
    </div>
  );
}
