import { BookOpen, Download, Plus, Trash2, Upload } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { bookFile } from "../requests/phrasebooks";
import { change, edit, remove } from "../requests/edits";
import type { Phrasebook } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { report } from "../ui/notices";
import { SearchField } from "../ui/SearchField";
import { ImportBook } from "./ImportBook";
import { LinkSheetEditor } from "./LinkSheetEditor";
import { LinkSheetWords } from "./LinkSheetWords";
import { freshPhrase } from "./fresh";
import { PhraseList } from "./PhraseList";
import { isFound } from "./words";

/** What the targets of the show understand and say: searched, edited, taken in and given out. */
export function Phrasebooks() {
  const parts = useShow((s) => s.parts);
  const books = partsOf(parts, "phrasebook");
  const chosen = useParams().book;
  const book = books.find((b) => b.part.id === chosen) ?? books[0];
  const [importing, setImporting] = useState(false);
  const navigate = useNavigate();
  /** What was just imported is what one wants to see: the newest of that name, for a second one has a number behind it. */
  const close = (imported?: string) => {
    setImporting(false);
    const taken = partsOf(useShow.getState().parts, "phrasebook").findLast(
      (b) => imported && b.part.body.name.startsWith(imported),
    );
    if (taken) void navigate(`/rig/phrasebooks/${taken.part.id}`);
  };
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="flex-1 text-2xl font-bold">Phrasebooks</h1>
        <PushButton strong={books.length === 0} onClick={() => setImporting(true)}>
          <Upload size={18} aria-hidden /> Import …
        </PushButton>
      </div>
      {books.length === 0 ? (
        <p className="rounded bg-panel p-6 text-lg text-quiet">
          No phrasebook yet. Import the message list of your target: a table from its manual, a CSV file, or
          what it tells of itself.
        </p>
      ) : (
        <div className="grid min-h-0 flex-1 grid-cols-[9.5rem_1fr] gap-4 max-md:grid-cols-1 max-md:grid-rows-[auto_1fr]">
          <nav aria-label="Phrasebooks" className="flex flex-col gap-1 overflow-auto max-md:flex-row">
            {books.map((b) => (
              <NavLink
                key={b.part.id}
                to={`/rig/phrasebooks/${b.part.id}`}
                className={`flex items-center gap-2 rounded px-3 py-2 ${b === book ? "bg-raised font-bold" : "text-quiet"}`}
              >
                <BookOpen size={18} aria-hidden /> <span className="truncate">{b.part.body.name}</span>
              </NavLink>
            ))}
          </nav>
          {book && <Book key={book.part.id} held={book} />}
        </div>
      )}
      {importing && <ImportBook onClose={close} />}
    </div>
  );
}

function Book({ held }: { held: HeldOf<Phrasebook> }) {
  const id = held.part.id;
  const book = held.part.body;
  const parts = useShow((s) => s.parts);
  const [looked, setLooked] = useState("");
  const [sheetOpen, setSheetOpen] = useState(false);
  const phrases = useMemo(() => partsOf(parts, "phrase", id), [parts, id]);
  // typing goes first: the rows follow in pieces that no frame waits for
  const lookedFor = useDeferredValue(looked);
  const found = useMemo(() => phrases.filter((p) => isFound(p.part.body, lookedFor)), [phrases, lookedFor]);

  const add = () =>
    void report(
      edit(`Add a phrase to ${book.name}`, [
        {
          step: "put",
          basedOn: 0,
          part: {
            id: crypto.randomUUID(),
            parent: id,
            order: Math.max(0, ...phrases.map((p) => p.part.order + 1)),
            body: freshPhrase(`/new/${phrases.length + 1}`),
          },
        },
      ]),
    );

  return (
    <section aria-label={`Phrasebook ${book.name}`} className="flex min-h-0 min-w-0 flex-col">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <EditField
          label="Name"
          hideLabel
          className="w-40"
          value={book.name}
          onCommit={(name) =>
            of(
              "name",
              change(`Rename ${book.name}`, "phrasebook", id, (b) => ({ ...b, name })),
            )
          }
        />
        <SearchField
          label="Search the phrases"
          hint="Search: address, meaning, values"
          className="flex-1"
          value={looked}
          onChange={setLooked}
        />
        <span className="text-quiet" role="status">
          {found.length} of {phrases.length}
        </span>
        <PushButton onClick={add}>
          <Plus size={16} aria-hidden /> Phrase
        </PushButton>
        <a
          className="inline-flex items-center gap-1.5 rounded border border-rule bg-raised px-3 py-1.5"
          href={bookFile(id, "phrases.csv")}
        >
          <Download size={16} aria-hidden /> CSV
        </a>
        <a
          className="inline-flex items-center gap-1.5 rounded border border-rule bg-raised px-3 py-1.5"
          href={bookFile(id, "oscquery.json")}
        >
          <Download size={16} aria-hidden /> OSCQuery
        </a>
        <button
          aria-label={`Remove the phrasebook ${book.name}`}
          className="rounded p-1.5 text-quiet hover:text-bone"
          onClick={() => void report(remove(`Remove the phrasebook ${book.name}`, id))}
        >
          <Trash2 size={18} aria-hidden />
        </button>
      </div>
      <div className="flex items-start gap-2">
        <LinkSheetWords sheet={book.sheet} />
        <PushButton aria-label={`Edit the link sheet of ${book.name}`} onClick={() => setSheetOpen(true)}>
          Edit
        </PushButton>
      </div>
      {sheetOpen && <LinkSheetEditor held={held} onClose={() => setSheetOpen(false)} />}
      <PhraseList phrases={found} />
    </section>
  );
}
