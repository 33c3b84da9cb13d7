import { ChevronRight, Plus, Send as SendIcon, Trash2 } from "lucide-react";
import { type ReactNode, useEffect, useState, useSyncExternalStore } from "react";
import type { ArgumentSource, Control, Form, Listen, Problem, Send, Trace } from "../api/types";
import { send as sendFrame, watch } from "../live/connection";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { traces, values } from "../live/values";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { clockTime } from "../ui/time";
import { nameOf, removeControl, setControl } from "./actions";

/** The way of one touch, left to right: what a finger does, what is made of it, what leaves, what comes back. */
export function PathStrip({ held }: { held: HeldOf<Control> | undefined }) {
  if (!held) {
    return (
      <section aria-label="Path" className="border-t border-rule bg-panel px-4 py-3 text-quiet">
        Select a control to see its path: touch, shaping, message, wire, answer. Selecting sends nothing.
      </section>
    );
  }
  return <Path key={held.part.id} held={held} />;
}

function useTrace(id: string): Trace | undefined {
  return useSyncExternalStore(
    (listener) => traces.subscribe(id, listener),
    () => traces.get(id),
  );
}

function Path({ held }: { held: HeldOf<Control> }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const [chosen, setChosen] = useState(0);
  const index = Math.min(chosen, body.sends.length - 1);
  const send = body.sends[index];
  const trace = useTrace(id);

  useEffect(() => {
    watch({ traces: [id] });
    return () => watch({ traces: [] });
  }, [id]);

  const put = (field: string, part: Partial<Control>) => of(field, setControl(held, words(field), part));
  const putSend = (field: string, part: Partial<Send>) =>
    put(`sends/${index}/${field}`, { sends: body.sends.map((s, i) => (i === index ? { ...s, ...part } : s)) });

  const addSend = () => {
    const target = partsOf(parts, "target")[0]?.part.id ?? null;
    const fresh: Send = {
      on: "CHANGE",
      target,
      address: `/${nameOf(body).toLowerCase().replace(/[^a-z0-9]+/g, "-").replace(/^-|-$/g, "") || "control"}`,
      arguments: [{ from: "value", type: "FLOAT32", low: 0, high: 1 }],
    };
    void report(setControl(held, "sends", { sends: [...body.sends, fresh] }));
    setChosen(body.sends.length);
  };

  return (
    <section aria-label="Path" className="flex h-72 shrink-0 items-stretch border-t-2 border-rule bg-panel">
      <Cell name="Touch" stopped={stopIn(trace, "TOUCH")} wide="1fr">
        <TouchCell held={held} put={put} />
      </Cell>
      <Cell name="Shaping" wide="0.9fr">
        {send ? <ShapingCell send={send} put={putSend} /> : <p className="text-quiet">No send, nothing to shape.</p>}
      </Cell>
      <Cell name="Message" stopped={stopIn(trace, "MESSAGE")} wide="1.6fr">
        <div className="mb-2 flex flex-wrap items-center gap-1">
          {body.sends.map((_, i) => (
            <PushButton
              key={i}
              aria-pressed={i === index}
              className={`px-2! py-0.5! ${i === index ? "border-select!" : ""}`}
              onClick={() => setChosen(i)}
            >
              Send {i + 1}
            </PushButton>
          ))}
          <PushButton className="px-2! py-0.5!" strong={body.sends.length === 0} onClick={addSend}>
            <Plus size={16} aria-hidden /> Add send
          </PushButton>
          {send && (
            <PushButton
              className="px-2! py-0.5!"
              onClick={() =>
                void report(
                  putSend("arguments", {
                    arguments: [...send.arguments, { from: "value", type: "FLOAT32", low: 0, high: 1 }],
                  }),
                )
              }
            >
              <Plus size={16} aria-hidden /> Argument
            </PushButton>
          )}
          {send && (
            <button
              aria-label="Remove this send"
              className="ml-auto p-1 text-quiet"
              onClick={() => void report(setControl(held, "sends", { sends: body.sends.filter((_, i) => i !== index) }))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          )}
        </div>
        {send ? (
          <MessageCell key={index} send={send} put={putSend} />
        ) : (
          <p className="text-quiet">This control sends nothing yet. Add a send.</p>
        )}
      </Cell>
      <Cell name="Wire" stopped={stopIn(trace, "WIRE")} wide="1fr">
        <WireCell id={id} send={send} index={index} trace={trace} />
      </Cell>
      <Cell name="Answer" stopped={stopIn(trace, "ANSWER")} wide="1.3fr" last>
        <AnswerCell held={held} send={send} trace={trace} put={put} />
      </Cell>
    </section>
  );
}

function words(field: string): string {
  return field.split("/").filter((part) => Number.isNaN(Number(part))).at(-1) ?? "the control";
}

function stopIn(trace: Trace | undefined, cell: string): string | undefined {
  return trace?.stopped?.cell === cell ? trace.stopped.why : undefined;
}

function Cell(props: { name: string; stopped?: string; wide: string; last?: boolean; children: ReactNode }) {
  return (
    <div
      role="group"
      aria-label={props.name}
      className="relative min-w-0 overflow-auto border-r border-rule p-3"
      style={{ flex: props.wide.replace("fr", "") }}
    >
      <h3 className="mb-1 flex items-center justify-between font-bold">
        {props.name} {!props.last && <ChevronRight size={18} className="text-quiet" aria-hidden />}
      </h3>
      {props.stopped && (
        <p role="status" className="mb-1 rounded border border-caution px-2 py-0.5 text-sm text-caution">
          {props.stopped}
        </p>
      )}
      {props.children}
    </div>
  );
}

type Put<P> = (field: string, part: P) => Promise<Problem[]>;

function TouchCell({ held, put }: { held: HeldOf<Control>; put: Put<Partial<Control>> }) {
  const { id, body } = held.part;
  const value = useSyncExternalStore(
    (listener) => values.subscribe(id, listener),
    () => values.get(id),
  );
  const form = body.form;
  return (
    <div className="flex flex-col gap-2">
      <EditField label="Label" value={body.label} onCommit={(label) => put("label", { label })} />
      {form.kind === "fader" ? (
        <>
          <Select<string>
            label="A finger beside the cap"
            value={form.grab}
            onChange={(grab) => void report(put("form", { form: { ...form, grab } as Form }))}
            options={[
              { value: "RELATIVE", text: "moves it along" },
              { value: "PICK_UP", text: "picks it up in passing" },
              { value: "JUMP", text: "makes it jump, once known" },
            ]}
          />
          <Select<string>
            label="Grows"
            value={form.direction}
            onChange={(direction) => void report(put("form", { form: { ...form, direction } as Form }))}
            options={[
              { value: "UP", text: "upwards" },
              { value: "RIGHT", text: "to the right" },
            ]}
          />
        </>
      ) : (
        <Select
          label="A press"
          value={form.latching ? "latching" : "momentary"}
          onChange={(kind) => void report(put("form", { form: { kind: "button", latching: kind === "latching" } }))}
          options={[
            { value: "momentary", text: "on while held" },
            { value: "latching", text: "turns it over" },
          ]}
        />
      )}
      <div className="flex items-center justify-between text-sm">
        <span className="text-quiet">
          position <span className="font-mono text-bone">{(value?.position ?? 0).toFixed(3)}</span>
        </span>
        <PushButton className="px-2! py-0.5!" onClick={() => void report(removeControl(held))}>
          <Trash2 size={14} aria-hidden /> Remove
        </PushButton>
      </div>
    </div>
  );
}

function ShapingCell({ send, put }: { send: Send; put: Put<Partial<Send>> }) {
  return (
    <div className="flex flex-col gap-2">
      {send.arguments.map((source, i) => {
        if (source.from !== "value") return null;
        const set = (change: Partial<typeof source>) =>
          put(`arguments/${i}`, { arguments: send.arguments.map((a, k) => (k === i ? { ...source, ...change } : a)) });
        return (
          <div key={i} className="flex flex-col gap-2">
            <p className="text-sm text-quiet">Scale of argument {i + 1}</p>
            <NumberField label="At 0" value={source.low} onCommit={(low) => set({ low })} />
            <NumberField label="At 1" value={source.high} onCommit={(high) => set({ high })} />
          </div>
        );
      })}
      {!send.arguments.some((a) => a.from === "value") && (
        <p className="text-sm text-quiet">No argument carries the value of this control.</p>
      )}
    </div>
  );
}

const TYPES: { value: ArgumentSource["type"]; text: string }[] = [
  { value: "FLOAT32", text: "f decimal" },
  { value: "INT32", text: "i whole" },
  { value: "TEXT", text: "s text" },
  { value: "BOOLEAN", text: "T F true/false" },
  { value: "FLOAT64", text: "d long decimal" },
  { value: "INT64", text: "h long whole" },
];

const NOBODY = "nobody";

function TargetSelect({ value, onChange }: { value: string | null; onChange: (target: string | null) => void }) {
  const parts = useShow((s) => s.parts);
  return (
    <Select
      label="Target"
      value={value && parts.has(value) ? value : NOBODY}
      onChange={(id) => onChange(id === NOBODY ? null : id)}
      options={[
        ...partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name })),
        { value: NOBODY, text: "nobody" },
      ]}
    />
  );
}

function MessageCell({ send, put }: { send: Send; put: Put<Partial<Send>> }) {
  const setArgument = (i: number, source: ArgumentSource) =>
    put(`arguments/${i}`, { arguments: send.arguments.map((a, k) => (k === i ? source : a)) });
  return (
    <div className="grid grid-cols-2 gap-2">
      <TargetSelect value={send.target} onChange={(target) => void report(put("target", { target }))} />
      <Select<Send["on"]>
        label="Goes out on"
        value={send.on}
        onChange={(on) => void report(put("on", { on }))}
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
        onCommit={(address) => put("address", { address })}
      />
      {send.arguments.map((source, i) => (
        <div key={i} className="col-span-2 grid grid-cols-[1fr_1.3fr_0.8fr_auto] items-end gap-2">
          <Select
            label={`Argument ${i + 1}`}
            value={source.from}
            onChange={(from) =>
              void report(
                setArgument(
                  i,
                  from === "value"
                    ? { from: "value", type: source.type, low: 0, high: 1 }
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
            onChange={(type) => void report(setArgument(i, { ...source, type }))}
            options={TYPES}
          />
          {source.from === "fixed" ? (
            <EditField label="Is" mono value={source.text} onCommit={(text) => setArgument(i, { ...source, text })} />
          ) : (
            <span className="self-center pt-5 font-mono text-sm text-quiet">
              {source.low} … {source.high}
            </span>
          )}
          <button
            aria-label={`Remove argument ${i + 1}`}
            className="p-2 text-quiet"
            onClick={() => void report(put("arguments", { arguments: send.arguments.filter((_, k) => k !== i) }))}
          >
            <Trash2 size={16} aria-hidden />
          </button>
        </div>
      ))}
    </div>
  );
}

function WireCell(props: { id: string; send: Send | undefined; index: number; trace: Trace | undefined }) {
  const { id, send, index, trace } = props;
  return (
    <div className="flex flex-col gap-2">
      <PushButton strong disabled={!send} onClick={() => sendFrame({ kind: "fire", control: id, send: index })}>
        <SendIcon size={16} aria-hidden /> Send once
      </PushButton>
      {trace?.message && (
        <p className="font-mono text-sm break-all text-out">
          {trace.message.address} {trace.message.typeTags} {trace.message.arguments}
        </p>
      )}
      {trace?.wire ? (
        <p className="font-mono text-sm text-quiet">
          {clockTime(trace.wire.at / 1e6)}
          <br />
          {trace.wire.route}
          <br />
          {trace.wire.bytes} bytes
        </p>
      ) : (
        <p className="text-sm text-quiet">Nothing has left yet.</p>
      )}
    </div>
  );
}

function AnswerCell(props: {
  held: HeldOf<Control>;
  send: Send | undefined;
  trace: Trace | undefined;
  put: Put<Partial<Control>>;
}) {
  const { held, send, trace, put } = props;
  const parts = useShow((s) => s.parts);
  const listen = held.part.body.listens[0];
  const scaled = send?.arguments.find((a) => a.from === "value");
  const setListen = (field: string, part: Partial<Listen>) =>
    put(`listens/0/${field}`, { listens: held.part.body.listens.map((l, i) => (i === 0 ? { ...l, ...part } : l)) });

  return (
    <div className="flex flex-col gap-2">
      {trace?.answer && (
        <p className={`font-mono text-sm ${trace.answer.agrees ? "text-in" : "text-fault"}`}>
          {trace.answer.address} {trace.answer.arguments}
          <br />
          after {(trace.answer.afterNanos / 1e6).toFixed(1)} ms, {trace.answer.agrees ? "agrees" : "differs"}
        </p>
      )}
      {listen ? (
        <>
          <EditField
            label={`Listens to ${partOf(parts, "target", listen.target)?.part.body.name ?? "nobody"} on`}
            mono
            value={listen.address}
            onCommit={(address) => setListen("address", { address })}
          />
          <div className="grid grid-cols-3 gap-2">
            <NumberField
              label="Argument"
              whole
              value={listen.argument + 1}
              onCommit={(n) => setListen("argument", { argument: n - 1 })}
            />
            <NumberField label="At 0" value={listen.low} onCommit={(low) => setListen("low", { low })} />
            <NumberField label="At 1" value={listen.high} onCommit={(high) => setListen("high", { high })} />
          </div>
          <button
            className="self-start text-sm text-quiet underline"
            onClick={() => void report(put("listens", { listens: [] }))}
          >
            Stop listening
          </button>
        </>
      ) : (
        <>
          <p className="text-sm text-quiet">It listens to nothing, so no answer can be compared.</p>
          <PushButton
            disabled={!send}
            onClick={() =>
              send &&
              void report(
                put("listens", {
                  listens: [
                    {
                      target: send.target,
                      address: send.address,
                      argument: Math.max(0, send.arguments.findIndex((a) => a.from === "value")),
                      low: scaled?.from === "value" ? scaled.low : 0,
                      high: scaled?.from === "value" && scaled.high !== scaled.low ? scaled.high : 1,
                    },
                  ],
                }),
              )
            }
          >
            Listen on the same address
          </PushButton>
        </>
      )}
    </div>
  );
}
