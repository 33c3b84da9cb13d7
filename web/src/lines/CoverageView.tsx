import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { Coverage } from "../api/types";
import { pageOf } from "../live/laid";
import { partsOf, useShow } from "../live/show";
import { select } from "../layout/selection";
import { coverageOf } from "../requests/lines";
import { useLook } from "../requests/useLook";
import { SearchField } from "../ui/SearchField";
import { Select } from "../ui/Select";

/** More rows are not drawn at once. */
const MOST = 500;

type Reached = Coverage["phrases"][number];

/** What a target can do that no control reaches, which pages reach what, and which controls do nothing with it. */
export function CoverageView() {
  const parts = useShow((s) => s.parts);
  const navigate = useNavigate();
  const { target: wanted } = useParams();
  const targets = partsOf(parts, "target");
  const target = targets.find((t) => t.part.id === wanted) ?? targets[0];
  const { found, trouble } = useLook(target?.part.id ?? null, coverageOf);
  const [words, setWords] = useState("");
  const [open, setOpen] = useState(true);

  if (!target)
    return (
      <main className="flex min-h-0 min-w-0 flex-1 flex-col gap-3 p-4">
        <p className="text-lg text-quiet">No target yet. Add one in Rig, and give it a phrasebook.</p>
      </main>
    );
  const reached = found?.phrases.filter((phrase) => phrase.reached).length ?? 0;
  const rows = (found?.phrases ?? [])
    .filter((phrase) => !open || !phrase.reached)
    .filter((phrase) => `${phrase.address} ${phrase.meaning}`.toLowerCase().includes(words.toLowerCase()));

  return (
    <main className="flex min-h-0 min-w-0 flex-1 flex-col gap-3 p-4">
      <header className="flex flex-wrap items-end gap-4">
        <Select
          className="w-56"
          label="Target"
          value={target.part.id}
          onChange={(id) => void navigate(`/lines/coverage/${id}`)}
          options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
        />
        <p role="status" className="pb-1 text-lg">
          {trouble ||
            (found === null
              ? "Looking …"
              : `${reached} of ${found.phrases.length} phrases are reached by a control or a cue`)}
        </p>
        <label className="ml-auto flex items-center gap-2 pb-1.5">
          <input type="checkbox" checked={open} onChange={(e) => setOpen(e.target.checked)} />
          only what is not reached
        </label>
        <SearchField
          label="Filter the phrases"
          hint="Filter"
          className="w-56"
          value={words}
          onChange={setWords}
        />
      </header>
      {found && (
        <div className="flex min-h-0 flex-1 gap-4 max-lg:flex-col max-lg:overflow-auto">
          <section
            aria-label="Phrases"
            className="min-h-0 flex-[3] overflow-auto rounded border border-rule max-lg:flex-none max-lg:max-h-[50vh]"
          >
            {found.phrases.length === 0 ? (
              <p className="p-4 text-lg text-quiet">
                {target.part.body.name} has no phrasebook, so nobody knows what it can do. Choose one in Rig,
                or import one in Phrasebooks.
              </p>
            ) : rows.length === 0 ? (
              <p className="p-4 text-lg text-quiet">
                {open && !words
                  ? "Every phrase is reached by a control or a cue."
                  : "No phrase is like this."}
              </p>
            ) : (
              <ul>
                {rows.slice(0, MOST).map((phrase) => (
                  <Row key={`${phrase.address} ${phrase.direction}`} phrase={phrase} />
                ))}
                {rows.length > MOST && (
                  <li className="px-3 py-2 text-quiet">And {rows.length - MOST} more: filter to see them.</li>
                )}
              </ul>
            )}
          </section>
          <div className="flex min-h-0 flex-[2] flex-col gap-4 overflow-auto">
            <section aria-label="Pages" className="rounded border border-rule p-3">
              <h2 className="mb-1 font-bold">Pages</h2>
              <ul>
                {found.pages.map(({ page, name, reaching, controls }) => (
                  <li key={page} className="flex justify-between gap-2">
                    <Link className="underline" to={`/layout/${page}`}>
                      {name}
                    </Link>
                    <span className={reaching ? "" : "text-quiet"}>
                      {reaching} of {controls} controls reach it
                    </span>
                  </li>
                ))}
              </ul>
              {found.pages.length === 0 && <p className="text-quiet">No page has a control yet.</p>}
            </section>
            <section aria-label="Controls that do nothing" className="rounded border border-rule p-3">
              <h2 className="mb-1 font-bold">Controls that do nothing with it</h2>
              {found.idle.length === 0 ? (
                <p className="text-quiet">
                  Every control that speaks to it says something that it understands.
                </p>
              ) : (
                <ul className="flex flex-col gap-1">
                  {found.idle.map(({ control, label, page, addresses }) => (
                    <li key={control}>
                      <Link
                        className="underline"
                        to={`/layout/${pageOf(parts, control) ?? ""}`}
                        onClick={() => select(control)}
                      >
                        {label}
                      </Link>{" "}
                      <span className="text-quiet">on {page}:</span>{" "}
                      <span className="font-mono text-sm">{addresses.join(", ")}</span>
                    </li>
                  ))}
                </ul>
              )}
            </section>
          </div>
        </div>
      )}
    </main>
  );
}

const WHO = { OUT: "we say it", IN: "it says it", BOTH: "said both ways" };

function Row({ phrase }: { phrase: Reached }) {
  const { address, meaning, addresses, said, heard, direction, pages } = phrase;
  return (
    <li
      className="grid grid-cols-[1fr_9rem_10rem] gap-3 max-sm:grid-cols-1 max-sm:gap-0 border-b border-rule px-3 py-1.5"
      data-coverage={address}
    >
      <span className="min-w-0">
        <span className="block font-mono [overflow-wrap:anywhere]">{address}</span>
        <span className="text-sm text-quiet">{meaning || WHO[direction]}</span>
      </span>
      <span className={`font-mono text-sm ${phrase.reached ? "" : "text-caution"}`}>
        {direction !== "IN" && (
          <span className="block">
            {said} of {addresses} said
          </span>
        )}
        {direction !== "OUT" && (
          <span className="block">
            {heard} of {addresses} heard
          </span>
        )}
      </span>
      <span className="text-sm text-quiet">{pages.join(", ")}</span>
    </li>
  );
}
