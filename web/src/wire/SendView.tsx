import { Repeat, Send, Star, X } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import type { ExampleLine, Problem, WireRow } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { edit, remove } from "../requests/edits";
import { sayBytesTo, sayTo } from "../requests/rig";
import { wireLines } from "../requests/wire";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { useCompose } from "./compose";
import { List } from "./List";
import { useRows } from "./useRows";
import { NO_QUERY } from "./view";

const RATES = [
  { value: "0.1", text: "every 0.1 s" },
  { value: "0.5", text: "every 0.5 s" },
  { value: "1", text: "every second" },
  { value: "5", text: "every 5 s" },
];

/** Messages written by hand, or taken from the phrasebook, with what comes back below. */
export function SendView({ onOpen }: { onOpen: (row: WireRow) => void }) {
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const targets = useMemo(() => partsOf(parts, "target"), [parts]);
  const { target: chosen, line, everySeconds } = useCompose();
  const target = targets.find((t) => t.part.id === chosen) ?? targets[0];
  const id = target?.part.id ?? "";
  const [problem, setProblem] = useState<Problem | null>(null);
  const [repeating, setRepeating] = useState(false);
  const [raw, setRaw] = useState(false);
  const looked = useRows({ ...NO_QUERY, source: id });

  const send = async (text: string): Promise<boolean> => {
    const refused = await sayTo(id, text);
    setProblem(refused[0] ?? null);
    return refused.length === 0;
  };

  // it ends with this page, so a device that vanishes sends no more
  useEffect(() => {
    if (!repeating) return;
    const timer = setInterval(
      () =>
        void sayTo(id, line).then((refused) => {
          setProblem(refused[0] ?? null);
          if (refused.length > 0) setRepeating(false);
        }),
      everySeconds * 1000,
    );
    return () => clearInterval(timer);
  }, [repeating, id, line, everySeconds]);

  if (!target)
    return (
      <p className="p-6 text-lg text-quiet">
        There is no target yet. Add one in Rig, then send it something.
      </p>
    );
  if (!live)
    return (
      <p className="p-6 text-lg text-quiet">
        This show is not live: nothing is sent. Make it live under Shows.
      </p>
    );

  const save = () =>
    void report(
      edit(`Save ${line}`, [
        {
          step: "put",
          basedOn: 0,
          part: {
            id: crypto.randomUUID(),
            parent: null,
            order: partsOf(parts, "message").length,
            body: { kind: "message", name: "", target: id, line: line.trim() },
          },
        },
      ]),
    );

  return (
    <>
      <form
        className="mb-2 flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void send(line);
        }}
      >
        <Select
          label="To"
          className="w-36"
          value={id}
          onChange={(value) => {
            setRepeating(false);
            useCompose.setState({ target: value });
          }}
          options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
        />
        <label className="min-w-60 flex-1 text-sm text-quiet">
          Message
          <input
            className={`block w-full rounded border bg-ground px-2 py-1 font-mono text-base leading-tight text-bone ${problem ? "border-fault" : "border-rule"}`}
            value={line}
            placeholder='/a/b ,if 1 0.5   or   /scene 3 "low water"'
            spellCheck={false}
            aria-invalid={problem !== null}
            onChange={(e) => {
              setRepeating(false);
              useCompose.setState({ line: e.target.value });
            }}
          />
        </label>
        <PushButton type="submit" strong disabled={line.trim() === ""}>
          <Send size={16} aria-hidden /> Send
        </PushButton>
        <Select
          label="Repeat"
          className="w-36"
          value={String(everySeconds)}
          onChange={(value) => useCompose.setState({ everySeconds: Number(value) })}
          options={RATES}
        />
        <PushButton
          aria-pressed={repeating}
          disabled={line.trim() === ""}
          onClick={() => (repeating ? setRepeating(false) : void send(line).then(setRepeating))}
        >
          <Repeat size={16} aria-hidden /> {repeating ? "Stop repeating" : "Start repeating"}
        </PushButton>
        <PushButton disabled={line.trim() === ""} onClick={save}>
          <Star size={16} aria-hidden /> Save
        </PushButton>
      </form>
      {problem && (
        <p role="alert" className="mb-2 text-fault">
          {problem.message}{" "}
          {problem.mend && (
            <button
              className="rounded border border-fault px-2 font-mono text-bone"
              onClick={() => useCompose.setState({ line: problem.mend! })}
            >
              Use {problem.mend}
            </button>
          )}
        </p>
      )}
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <Phrases target={id} />
        <button
          type="button"
          className="text-quiet underline hover:text-bone"
          aria-expanded={raw}
          onClick={() => setRaw(!raw)}
        >
          Raw bytes …
        </button>
      </div>
      {raw && <RawBytes target={id} />}
      <Saved onSend={(to, text) => void report(sayTo(to, text))} />
      <List
        rows={looked.rows}
        older={looked.older}
        empty="Nothing yet. What you send, and what comes back, appears here."
        onOlder={looked.showOlder}
        onOpen={onOpen}
      />
    </>
  );
}

/** What the target understands, to start from. */
function Phrases({ target }: { target: string }) {
  const [lines, setLines] = useState<ExampleLine[]>([]);
  useEffect(() => {
    let wanted = true;
    wireLines(target).then(
      (told) => wanted && setLines(told),
      () => wanted && setLines([]),
    );
    return () => {
      wanted = false;
    };
  }, [target]);
  if (lines.length === 0)
    return <p className="text-quiet">This target has no phrasebook to choose a message from.</p>;
  return (
    <label className="flex min-w-0 items-center gap-2 text-quiet">
      From the phrasebook
      <input
        list="phrase-lines"
        className="w-80 min-w-0 rounded border border-rule bg-ground px-2 py-1 font-mono text-sm text-bone"
        placeholder="type a part of an address"
        onChange={(e) => {
          const found = lines.find((each) => each.line === e.target.value);
          if (!found) return;
          useCompose.setState({ line: found.line });
          e.target.value = "";
        }}
      />
      <datalist id="phrase-lines">
        {lines.map(({ line, phrase, meaning }) => (
          <option key={phrase} value={line}>
            {meaning || phrase}
          </option>
        ))}
      </datalist>
    </label>
  );
}

/** Bytes as they are, also those that are no message: what does the receiver make of them? */
function RawBytes({ target }: { target: string }) {
  const hex = useCompose((s) => s.hex);
  const [problem, setProblem] = useState("");
  const send = async () => setProblem((await sayBytesTo(target, hex))[0]?.message ?? "");
  return (
    <div className="mb-2 rounded border border-rule p-2">
      <div className="flex flex-wrap items-end gap-2">
        <label className="min-w-60 flex-1 text-sm text-quiet">
          Bytes, two hexadecimal digits each; they leave as they are, whether or not they are OSC
          <input
            className={`block w-full rounded border bg-ground px-2 py-1 font-mono text-base leading-tight text-bone ${problem ? "border-fault" : "border-rule"}`}
            value={hex}
            placeholder="2f61 0000 2c69 0000 0000 0001"
            spellCheck={false}
            onChange={(e) => useCompose.setState({ hex: e.target.value })}
          />
        </label>
        <PushButton disabled={hex.trim() === ""} onClick={() => void send()}>
          <Send size={16} aria-hidden /> Send bytes
        </PushButton>
      </div>
      {problem && (
        <p role="alert" className="mt-1 text-fault">
          {problem}
        </p>
      )}
    </div>
  );
}

/** What was saved, one press each. */
function Saved({ onSend }: { onSend: (target: string, line: string) => void }) {
  const parts = useShow((s) => s.parts);
  const saved = useMemo(() => partsOf(parts, "message"), [parts]);
  const targets = useMemo(() => partsOf(parts, "target"), [parts]);
  if (saved.length === 0) return null;
  return (
    <ul
      className="mb-2 flex max-h-40 flex-col overflow-auto rounded border border-rule"
      aria-label="Saved messages"
    >
      {saved.map(({ part: { id, body } }) => {
        const to = targets.find((t) => t.part.id === body.target)?.part.body.name;
        return (
          <li key={id} className="flex items-center gap-2 border-b border-raised px-2 py-0.5 last:border-0">
            <PushButton
              className="px-2! py-0!"
              aria-label={`Send ${body.line}`}
              disabled={!to}
              onClick={() => onSend(body.target!, body.line)}
            >
              <Send size={14} aria-hidden /> Send
            </PushButton>
            <button
              type="button"
              className="flex min-w-0 flex-1 items-center gap-3 text-left hover:text-select"
              title="Put it into the field above"
              onClick={() => useCompose.setState({ target: body.target ?? "", line: body.line })}
            >
              <span className={to ? "" : "text-caution"}>{to ?? "its target is gone"}</span>
              <span className="truncate font-mono">{body.line}</span>
            </button>
            <button
              type="button"
              className="p-1 text-quiet hover:text-bone"
              aria-label={`Remove ${body.line}`}
              onClick={() => void report(remove(`Remove ${body.line}`, id))}
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        );
      })}
    </ul>
  );
}
