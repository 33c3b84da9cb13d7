import { useVirtualizer } from "@tanstack/react-virtual";
import { CircleCheck, CircleHelp, CircleX } from "lucide-react";
import { Dialog, RadioGroup } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { booksElsewhere, previewBook, takeBook } from "../requests/phrasebooks";
import type { BookElsewhere, Problem, ReadPreview, ReadRow, Reading, Taking, BrokenLine } from "../api/types";
import { useLook } from "../requests/useLook";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { Check } from "../ui/fields";
import { Select } from "../ui/Select";
import { Columns } from "./Columns";
import { rangeWords, typeTags } from "./words";
import { textOf } from "../ui/file";

const SOURCES: { value: Reading["source"]; text: string }[] = [
  { value: "TABLE", text: "a table: pasted, or a CSV file" },
  { value: "OSCQUERY", text: "OSCQuery JSON: pasted, or a file" },
  { value: "ASKED", text: "ask the target over HTTP (OSCQuery)" },
  { value: "HEARD", text: "what a target was heard to say" },
  { value: "OTHER_SHOW", text: "a phrasebook of another show" },
];

const ON_SAME_NAME: { value: Taking["onSameName"]; text: string }[] = [
  { value: "KEEP_BOTH", text: "Keep both" },
  { value: "MERGE", text: "Merge: add and change, remove nothing" },
  { value: "REPLACE", text: "Replace: what is not in it goes" },
];

/** Takes phrases in after a look at what was understood, guessed and refused, row by row. */
export function ImportBook({
  onClose,
}: {
  /** The name of the phrasebook that was imported; none where nothing was. */
  onClose: (imported?: string) => void;
}) {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");
  const [source, setSource] = useState<Reading["source"]>("TABLE");
  const [name, setName] = useState("New phrasebook");
  const [text, setText] = useState("");
  const [bare, setBare] = useState(false);
  const [preview, setPreview] = useState<ReadPreview | null>(null);
  const [trouble, setTrouble] = useState("");
  const [onSameName, setOnSameName] = useState<Taking["onSameName"]>("KEEP_BOTH");
  const [problems, setProblems] = useState<Problem[]>([]);
  const [columns, setColumns] = useState<Reading["columns"]>([]);
  const reading = useRef(0);

  useEffect(() => {
    const mine = ++reading.current;
    if (text.trim() === "") return;
    const timer = setTimeout(() => {
      previewBook({ source, name, text, bare, columns })
        .then((read) => {
          if (mine !== reading.current) return;
          setPreview(read);
          setTrouble("");
        })
        .catch((e: unknown) => setTrouble(e instanceof Error ? e.message : "The server does not answer"));
    }, 300);
    return () => clearTimeout(timer);
  }, [source, name, text, bare, columns]);

  const shown = text.trim() === "" ? null : preview;
  const rows = shown?.rows ?? [];
  const count = (verdict: ReadRow["verdict"]) => rows.filter((r) => r.verdict === verdict).length;
  const usable = rows.length - count("REFUSED");

  const take = async () => {
    const refused = await takeBook({ source, name, text, bare, columns, onSameName });
    setProblems(refused);
    // the list behind is drawn first: both in one frame would stutter where thousands were taken in
    if (refused.length === 0) requestAnimationFrame(() => setTimeout(() => onClose(name.trim())));
  };

  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 flex h-[90vh] w-[min(72rem,94vw)] -translate-1/2 flex-col gap-3 rounded-lg border border-rule bg-panel p-5"
        >
          <Dialog.Title className="text-xl font-bold">Import a phrasebook</Dialog.Title>
          <div className="grid grid-cols-2 gap-4">
            <Select
              label="From"
              value={source}
              options={SOURCES}
              onChange={(value) => {
                setSource(value);
                setColumns([]);
                setPreview(null);
                setText(value === "HEARD" ? (targets[0]?.part.id ?? "") : "");
                if (value === "HEARD" && targets[0]) setName(`${targets[0].part.body.name}, heard`);
              }}
            />
            <label>
              <span className="block text-sm text-quiet">Name of the phrasebook</span>
              <input
                className="w-full rounded border border-rule bg-ground px-2 py-1"
                value={name}
                maxLength={200}
                onChange={(e) => setName(e.target.value)}
              />
            </label>
          </div>
          <SourceField
            source={source}
            text={text}
            setText={(list) => {
              // another list has other columns
              if (list.split("\n", 1)[0] !== text.split("\n", 1)[0]) setColumns([]);
              setText(list);
            }}
            setName={setName}
          />
          {source === "TABLE" && (
            <Check label="Allow addresses without a leading slash" checked={bare} onChange={setBare} />
          )}
          {trouble && (
            <p role="alert" className="text-fault">
              {trouble}
            </p>
          )}
          {shown && (
            <p role="status" className="flex gap-5">
              <span className="text-in">{count("UNDERSTOOD")} understood</span>
              <span className="text-caution">{count("GUESSED")} guessed</span>
              <span className="text-fault">{count("REFUSED")} refused</span>
            </p>
          )}
          {shown && shown.columns.length > 0 && (
            <Columns columns={shown.columns} told={columns} onTell={setColumns} />
          )}
          <Rows rows={rows} nothing={shown !== null && rows.length === 0} />
          {shown?.difference && (
            <div className="rounded border border-caution p-3">
              <p className="mb-2">
                A phrasebook of this name is there: {shown.difference.added.length} new,{" "}
                {shown.difference.changed.length} changed, {shown.difference.same} the same,{" "}
                {shown.difference.gone.length} not in this one.
              </p>
              <RadioGroup.Root
                aria-label="What to do with both"
                className="flex gap-5"
                value={onSameName}
                onValueChange={(value) => setOnSameName(value as Taking["onSameName"])}
              >
                {ON_SAME_NAME.map(({ value, text: words }) => (
                  <label key={value} className="flex items-center gap-2">
                    <RadioGroup.Item
                      value={value}
                      className="flex h-5 w-5 items-center justify-center rounded-full border-2 border-quiet"
                    >
                      <RadioGroup.Indicator className="h-2.5 w-2.5 rounded-full bg-bone" />
                    </RadioGroup.Item>
                    {words}
                  </label>
                ))}
              </RadioGroup.Root>
              <Broken lines={shown.broken[onSameName] ?? []} />
            </div>
          )}
          {problems.map((p, i) => (
            <p key={i} role="alert" className="text-fault">
              {p.message}
            </p>
          ))}
          <div className="flex justify-end gap-2">
            <PushButton onClick={() => onClose()}>Cancel</PushButton>
            <PushButton strong disabled={usable === 0 || name.trim() === ""} onClick={() => void take()}>
              Import {usable} {usable === 1 ? "phrase" : "phrases"}
            </PushButton>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface SourceProps {
  source: Reading["source"];
  text: string;
  setText: (text: string) => void;
  setName: (name: string) => void;
}

/** Where the phrases are: a text, an address, a target or a show. */
function SourceField({ source, text, setText, setName }: SourceProps) {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");
  const { found, trouble } = useLook(source === "OTHER_SHOW" ? source : null, booksElsewhere);
  const books = found ?? [];
  const [typed, setTyped] = useState("");

  const pick = async (file: File) => {
    setText(await textOf(file));
    setName(file.name.replace(/\.[^.]*$/, ""));
  };

  if (source === "HEARD")
    return (
      <Select
        label="Target"
        value={text}
        onChange={(id) => {
          setText(id);
          setName(`${targets.find((t) => t.part.id === id)?.part.body.name}, heard`);
        }}
        options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
      />
    );
  if (source === "ASKED")
    return (
      <label>
        <span className="block text-sm text-quiet">
          Address of the target, such as http://192.0.2.41:8080/ (Enter asks)
        </span>
        <input
          className="w-full rounded border border-rule bg-ground px-2 py-1 font-mono"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={() => setText(typed)}
          onKeyDown={(e) => e.key === "Enter" && setText(typed)}
        />
      </label>
    );
  if (source === "OTHER_SHOW")
    return books.length === 0 ? (
      <p className="text-quiet">{trouble || (found ? "No other show has a phrasebook." : "Looking …")}</p>
    ) : (
      <Select
        label="Phrasebook"
        value={text}
        onChange={(value) => {
          setText(value);
          setName(books.find((book) => keyOf(book) === value)?.bookName ?? "");
        }}
        options={books.map((book) => ({ value: keyOf(book), text: `${book.bookName}, of ${book.showName}` }))}
      />
    );
  const lines = text.length > LONG_TEXT ? text.split("\n").length : 0;
  return (
    <div className="flex gap-3">
      {lines > 0 ? (
        <p className="flex h-28 flex-1 items-center gap-4 rounded border border-rule bg-ground px-4">
          <span className="flex-1 text-lg">{lines} lines, too many to edit here</span>
          <PushButton onClick={() => setText("")}>Start again</PushButton>
        </p>
      ) : (
        <textarea
          aria-label="The list of messages"
          placeholder={
            source === "TABLE"
              ? "Paste the message list here: one message a line, with its address, types, range and meaning in columns"
              : "Paste the JSON here"
          }
          className="h-28 flex-1 rounded border border-rule bg-ground px-2 py-1 font-mono text-sm"
          spellCheck={false}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      )}
      <label className="flex cursor-pointer items-center rounded border border-rule bg-raised px-3">
        Choose a file …
        <input
          type="file"
          className="sr-only"
          aria-label="A file with messages"
          onChange={(e) => e.target.files?.[0] && void pick(e.target.files[0])}
        />
      </label>
    </div>
  );
}

/** A text of more characters is no longer shown to be edited: the field itself would stutter. */
const LONG_TEXT = 50_000;

const keyOf = (book: BookElsewhere) => `${book.showId}/${book.bookId}`;

const LOOKS = {
  UNDERSTOOD: { Icon: CircleCheck, colour: "text-in", word: "understood" },
  GUESSED: { Icon: CircleHelp, colour: "text-caution", word: "guessed" },
  REFUSED: { Icon: CircleX, colour: "text-fault", word: "refused" },
};

/** @param nothing whether something was read, and there was nothing in it */
function Rows({ rows, nothing }: { rows: ReadRow[]; nothing: boolean }) {
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer keeps its own state on purpose
  const shown = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    // what is refused is shown with its text and the whole reason
    estimateSize: (i) => (rows[i]?.verdict === "REFUSED" ? 78 : 30),
    overscan: 10,
  });
  return (
    <div
      ref={box}
      className="min-h-0 flex-1 overflow-auto rounded border border-rule bg-ground"
      aria-label="Rows"
    >
      {rows.length === 0 && (
        <p className="p-4 text-quiet">
          {nothing
            ? "No phrases found. A target has to send something first."
            : "What is read appears here, row by row, before anything is kept."}
        </p>
      )}
      <ul style={{ height: shown.getTotalSize(), position: "relative" }}>
        {shown.getVirtualItems().map((item) => {
          const row = rows[item.index]!;
          const { Icon, colour, word } = LOOKS[row.verdict];
          if (row.verdict === "REFUSED")
            return (
              <li
                key={item.key}
                data-row={word}
                className="absolute inset-x-0 grid h-[78px] grid-cols-[7.5rem_1fr] items-start gap-2 overflow-hidden bg-panel px-2 py-1"
                style={{ transform: `translateY(${item.start}px)` }}
              >
                <span className={`flex items-center gap-1.5 ${colour}`}>
                  <Icon size={16} aria-hidden /> {word}
                </span>
                <span className="min-w-0">
                  <span className="block truncate font-mono" title={row.place}>
                    {row.place}
                  </span>
                  <span className="line-clamp-2 text-fault">{row.note}</span>
                </span>
              </li>
            );
          return (
            <li
              key={item.key}
              data-row={word}
              className="absolute inset-x-0 grid h-[30px] grid-cols-[7.5rem_2.2fr_3rem_1.2fr_2fr] items-center gap-2 px-2"
              style={{ transform: `translateY(${item.start}px)` }}
            >
              <span className={`flex items-center gap-1.5 ${colour}`}>
                <Icon size={16} aria-hidden /> {word}
              </span>
              <span className="truncate font-mono">{row.phrase?.address ?? row.place}</span>
              <span className="font-mono text-quiet">{row.phrase && typeTags(row.phrase)}</span>
              <span className="truncate text-quiet">{row.phrase && rangeWords(row.phrase)}</span>
              <span className="truncate text-quiet" title={row.note}>
                {row.note || row.phrase?.meaning}
              </span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** More than this are only counted. */
const MOST_BROKEN = 50;

/** The lines that would not be understood any more. */
function Broken({ lines }: { lines: BrokenLine[] }) {
  if (lines.length === 0) return <p className="mt-2 text-quiet">No line of this show would break.</p>;
  return (
    <div className="mt-2">
      <p className="font-bold text-caution">
        {lines.length === 1
          ? "1 line of this show would break:"
          : `${lines.length} lines of this show would break:`}
      </p>
      <ul aria-label="Lines that would break" className="max-h-32 overflow-auto">
        {lines.slice(0, MOST_BROKEN).map((line, i) => (
          <li key={i}>
            <b>{line.name}</b>: {line.text}
          </li>
        ))}
        {lines.length > MOST_BROKEN && <li className="text-quiet">and {lines.length - MOST_BROKEN} more</li>}
      </ul>
    </div>
  );
}
