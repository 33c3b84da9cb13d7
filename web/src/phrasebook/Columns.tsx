import type { Reading, ReadPreview } from "../api/types";
import { PushButton } from "../ui/buttons";
import { Select } from "../ui/Select";

type Column = ReadPreview["columns"][number];

const KINDS: { value: Column["taken"]; text: string }[] = [
  { value: "IGNORED", text: "ignored" },
  { value: "ADDRESS", text: "address" },
  { value: "TYPES", text: "types" },
  { value: "RANGE", text: "range, or values" },
  { value: "LOW", text: "lowest value" },
  { value: "HIGH", text: "highest value" },
  { value: "UNIT", text: "unit" },
  { value: "CHOICES", text: "choices" },
  { value: "FIXED", text: "fixed first arguments" },
  { value: "DIRECTION", text: "direction" },
  { value: "ANSWER", text: "answer" },
  { value: "MEANING", text: "meaning" },
  { value: "MASKED", text: "masked by" },
  { value: "MARKS", text: "scale" },
  { value: "TOLERANCE", text: "tolerance" },
  { value: "SECONDS", text: "answers within (s)" },
  { value: "WORDS", text: "argument in words" },
];

interface Props {
  columns: Column[];
  /** What somebody said of them, the last word last. */
  told: Reading["columns"];
  onTell: (told: Reading["columns"]) => void;
}

/** What each column of a message list was taken as, and what was ignored; each can be said otherwise. */
export function Columns({ columns, told, onTell }: Props) {
  const ignored = columns.filter((column) => column.taken === "IGNORED").length;
  const tell = (column: number, is: Column["taken"]) =>
    onTell([...told.filter((each) => each.column !== column), { column, is }]);
  return (
    <section aria-label="Columns" className="flex-none">
      <p className="mb-1 flex items-center gap-3 text-sm text-quiet">
        What each column was taken as
        {ignored > 0 && (
          <span className="text-caution">
            {ignored} {ignored === 1 ? "is" : "are"} ignored
          </span>
        )}
        {told.length > 0 && (
          <PushButton className="px-2! py-0!" onClick={() => onTell([])}>
            As it looked
          </PushButton>
        )}
      </p>
      <div className="flex gap-2 overflow-x-auto pb-1">
        {columns.map(({ title, example, taken }, index) => (
          <div
            key={index}
            className={`w-36 flex-none rounded border p-1.5 ${taken === "IGNORED" ? "border-caution" : "border-rule"}`}
          >
            <Select
              label={title || `column ${index + 1}`}
              value={taken}
              options={KINDS}
              onChange={(next) => tell(index, next)}
            />
            <p className="truncate font-mono text-xs text-quiet" title={example}>
              {example || "empty"}
            </p>
          </div>
        ))}
      </div>
    </section>
  );
}
