import {
  ChartNoAxesColumn,
  CircleGauge,
  Lightbulb,
  ListChecks,
  RectangleVertical,
  Square,
  Type,
} from "lucide-react";
import { useState } from "react";
import type { PhraseFamily } from "../api/types";
import { useLook } from "../requests/useLook";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { NumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { SearchField } from "../ui/SearchField";
import { Select } from "../ui/Select";
import { whileHere } from "../ui/whileHere";
import { useGoToPage } from "./useGoToPage";
import { familiesOf, type Manner, placeTaken, putBack, shelfTarget, take, useShelf } from "./shelf";

type Direction = PhraseFamily["phrases"][number]["direction"];

const ICONS: Record<string, typeof Square> = {
  fader: RectangleVertical,
  button: Square,
  knob: CircleGauge,
  choice: ListChecks,
  meter: ChartNoAxesColumn,
  lamp: Lightbulb,
  readout: Type,
};

/** The phrases of a target beside the page: taken, counted, and placed as controls that play at once. */
export function PhraseShelf({ page }: { page: string | null }) {
  const parts = useShow((s) => s.parts);
  const chosen = useShelf((s) => s.target);
  const [looked, setLooked] = useState("");
  const [way, setWay] = useState<Direction>("BOTH");
  const speaking = partsOf(parts, "target").filter((t) => t.part.body.phrasebook !== null);
  const target = shelfTarget(chosen, parts)?.part.id;
  const { found: all, trouble } = useLook(target ?? null, familiesOf);
  const families = all ?? [];

  if (!target)
    return (
      <p className="text-sm text-quiet">
        No target has a phrasebook yet. Choose one for a target in Rig, Settings: its phrases then lie here,
        ready to be placed.
      </p>
    );
  const words = looked.toLowerCase().split(/\s+/);
  const goes = (direction: Direction) => way === "BOTH" || direction === "BOTH" || direction === way;
  const found = families
    .map((family) => ({
      ...family,
      phrases: family.phrases.filter(
        (p) =>
          goes(p.direction) &&
          words.every((word) => `${p.address} ${p.meaning} ${p.form}`.toLowerCase().includes(word)),
      ),
    }))
    .filter((family) => family.phrases.length > 0);
  return (
    <section aria-label="Phrases" className="flex min-h-80 flex-1 flex-col gap-1.5">
      <div className="flex gap-1">
        <Select
          className="flex-1"
          hideLabel
          label="Of target"
          value={target}
          options={speaking.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
          onChange={(id) => {
            putBack();
            useShelf.setState({ target: id });
          }}
        />
        <Select<Direction>
          className="w-16 flex-none"
          hideLabel
          label="Direction"
          value={way}
          onChange={setWay}
          options={[
            { value: "BOTH", text: "all" },
            { value: "OUT", text: "out" },
            { value: "IN", text: "in" },
          ]}
        />
      </div>
      <SearchField
        label="Search the phrases to place"
        hint="Search"
        className="w-full py-0.5!"
        value={looked}
        onChange={setLooked}
      />
      <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-auto">
        {trouble && <p className="text-sm text-quiet">The phrases cannot be shown now: {trouble}</p>}
        {all && found.length === 0 && <p className="text-sm text-quiet">No phrase matches.</p>}
        {found.map((family) => (
          <Family key={family.prefix} family={family} page={page} />
        ))}
      </div>
      <Order families={families} page={page} />
    </section>
  );
}

/** How many controls can be made of these phrases together. */
function mostOf(families: PhraseFamily[], taken: readonly string[]): number {
  return Math.min(
    ...families.filter((f) => f.phrases.some((p) => taken.includes(p.phrase))).map((f) => f.count),
  );
}

function Family({ family, page }: { family: PhraseFamily; page: string | null }) {
  const taken = useShelf((s) => s.taken);
  const place = usePlace(page);
  return (
    <div>
      {!family.prefix && family.phrases.length > 1 && (
        <h3 className="mb-1 flex items-center gap-2">
          <span className="flex-1 text-sm text-quiet">single ones</span>
          <PushButton
            className="px-2! py-0!"
            onClick={() => {
              take(
                family.phrases.map((p) => p.phrase),
                1,
              );
              useShelf.setState({ manner: "LOOSE" });
            }}
          >
            All
          </PushButton>
        </h3>
      )}
      {family.prefix && (
        <h3 className="mb-1 flex items-center gap-2">
          <span className="min-w-0 flex-1 font-mono text-sm leading-tight text-quiet [overflow-wrap:anywhere]">
            {family.prefix}
          </span>
          {family.strip.length > 0 && (
            <PushButton
              className="px-2! py-0!"
              onClick={() => {
                take(family.strip, family.count);
                useShelf.setState({ manner: "TRAYS" });
              }}
            >
              Strips
            </PushButton>
          )}
        </h3>
      )}
      <ul className="flex flex-col">
        {family.phrases.map(({ phrase, address, form, meaning }) => {
          const Icon = ICONS[form] ?? Square;
          const isTaken = taken.includes(phrase);
          return (
            <li key={phrase}>
              <button
                draggable
                aria-pressed={isTaken}
                title={`${address}: ${form}${meaning ? `, ${meaning}` : ""}`}
                className={`flex w-full items-center gap-2 rounded px-2 py-0.5 text-left ${
                  isTaken ? "bg-select font-bold text-ink" : "hover:bg-raised"
                }`}
                onClick={(e) => {
                  const more = e.ctrlKey || e.shiftKey || e.metaKey;
                  const rest = more ? taken.filter((id) => id !== phrase) : [];
                  const next = isTaken && (more || taken.length === 1) ? rest : [...rest, phrase];
                  if (next.length) take(next, family.count);
                  else putBack();
                }}
                onKeyDown={(e) => {
                  if (e.key !== "Enter") return;
                  e.preventDefault();
                  if (!isTaken) take([phrase], family.count);
                  void place(page);
                }}
                onDragStart={(e) => {
                  if (!isTaken) take([phrase], family.count);
                  e.dataTransfer.setData("text/plain", address);
                  e.dataTransfer.effectAllowed = "copy";
                }}
              >
                <Icon size={16} aria-hidden className="flex-none" />
                <span className="min-w-0 flex-1 font-mono text-sm leading-tight [overflow-wrap:anywhere]">
                  {address.slice(family.prefix.length)}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function usePlace(current: string | null) {
  const goTo = useGoToPage();
  return async (page: string | null) => {
    const placing = placeTaken(page, null);
    void report(placing.then((p) => p.problems));
    await whileHere(placing, ({ page: placed }) => {
      if (placed && placed !== current) goTo(placed);
    });
  };
}

/** How many of what is taken, and from which number; a tap on the page or a button places them. */
function Order({ families, page }: { families: PhraseFamily[]; page: string | null }) {
  const { taken, first, count, manner, window } = useShelf();
  const place = usePlace(page);
  if (taken.length === 0)
    return <p className="text-sm text-quiet">Take one, more with Ctrl, or strips; then tap the page.</p>;
  const most = mostOf(families, taken);
  const strips = taken.length > 1 && !(manner === "LOOSE" && count === 1);
  const number = strips || taken.length === 1 ? count : taken.length;
  const what = strips ? (count === 1 ? "strip" : "strips") : "";
  return (
    <div className="flex flex-col gap-2 rounded border border-select p-2">
      {most > 1 && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label={`How many (of ${most})`}
            whole
            value={count}
            onCommit={(n) => limited(n, most - first + 1, (value) => useShelf.setState({ count: value }))}
          />
          <NumberField
            label="From number"
            whole
            value={first}
            onCommit={(n) =>
              limited(n, most, (value) =>
                useShelf.setState({ first: value, count: Math.min(count, most - value + 1) }),
              )
            }
          />
        </div>
      )}
      {count > 1 && (
        <Select<Manner>
          label="Arrange as"
          value={taken.length === 1 && manner === "TRAYS" ? "LOOSE" : manner}
          onChange={(next) => useShelf.setState({ manner: next })}
          options={[
            ...(taken.length > 1 ? [{ value: "TRAYS" as const, text: "each strip in a tray" }] : []),
            { value: "LOOSE", text: "side by side" },
            { value: "BANK", text: "in a bank that moves" },
          ]}
        />
      )}
      {manner === "BANK" && count > 1 && (
        <NumberField
          label="Of which it shows at once"
          whole
          value={window}
          onCommit={(n) => limited(n, count, (value) => useShelf.setState({ window: value }))}
        />
      )}
      {page && (
        <PushButton strong onClick={() => void place(page)}>
          Place {number} {what} here
        </PushButton>
      )}
      <PushButton strong={!page} onClick={() => void place(null)}>
        Place {number} {what} on a new page
      </PushButton>
      <button className="text-sm text-quiet underline" onClick={putBack}>
        Cancel
      </button>
    </div>
  );
}

function limited(n: number, most: number, put: (n: number) => void) {
  if (n < 1 || n > most)
    return Promise.resolve([
      { part: null, field: "", message: `From 1 to ${most}`, mend: String(Math.max(1, Math.min(most, n))) },
    ]);
  put(n);
  return Promise.resolve([]);
}
