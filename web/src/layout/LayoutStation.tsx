import {
  ChevronDown,
  ChevronUp,
  ClipboardPaste,
  Ear,
  Plus,
  Rows3,
  Settings2,
  SlidersVertical,
} from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import type { Page } from "../api/types";
import { send } from "../live/connection";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { notify, report } from "../ui/notices";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { NextSteps } from "../ui/NextSteps";
import { whileHere } from "../ui/whileHere";
import { addPage, setPage } from "./actions";
import { useBuildDialog, openDialog } from "./dialogs";
import { onBuildKey } from "./keys";
import { DraftPages, PageLinks } from "./DraftPages";
import { inDraft, laidOf, pageOf, usualPage } from "../live/laid";
import { LayoutFileDialog } from "./LayoutFileDialog";
import { LearnShelf } from "./LearnShelf";
import { PageGrid } from "./PageGrid";
import { usePageLines } from "./pageLines";
import { PagePanel } from "./PagePanel";
import { Palette } from "./Palette";
import { LinesDialog } from "./LinesDialog";
import { PasteDialog } from "./PasteDialog";
import { PhraseShelf } from "./PhraseShelf";
import { PathStrip } from "./path/PathStrip";
import { ReplaceDialog } from "./ReplaceDialog";
import { putBack, useShelf } from "./shelf";
import { place, select, useSelection } from "./selection";
import { useGoToPage } from "./useGoToPage";

/** Build: the page in the middle, what can be put on it at the left, the path of the selected control below. */
export function LayoutStation() {
  const { page: wanted } = useParams();
  const parts = useShow((s) => s.parts);
  const ids = useSelection((s) => s.ids);
  const dialog = useBuildDialog((s) => s.open);
  // on a phone the page has the room, until something is to be placed
  const [shelves, setShelves] = useState(false);
  const goTo = useGoToPage();
  const pages = partsOf(parts, "page");
  const page = pages.find((p) => p.part.id === wanted) ?? usualPage(pages);
  const pageId = page?.part.id;
  const lines = usePageLines(pageId ?? null);

  // whoever looks at a page that somebody else removes is told why they see another one
  const seen = useRef<string>(undefined);
  useEffect(() => {
    if (seen.current && wanted === seen.current && !parts.has(wanted))
      notify("The page that you looked at was removed. Undo brings it back.");
    seen.current = wanted && parts.has(wanted) ? wanted : undefined;
  }, [parts, wanted]);

  // what is gone is not selected
  useEffect(() => {
    const there = ids.filter((id) => parts.has(id));
    if (there.length < ids.length) select(...there);
  }, [parts, ids]);

  // nor is what lies on another page than the one that was gone to
  useEffect(() => {
    const { parts: now } = useShow.getState();
    const { ids: selected } = useSelection.getState();
    const here = selected.filter((id) => pageOf(now, id) === pageId);
    if (here.length < selected.length) select(...here);
  }, [pageId]);

  // others see what is selected here
  useEffect(() => {
    send({ kind: "selecting", controls: [...ids] });
  }, [ids]);
  useEffect(() => () => void send({ kind: "selecting", controls: [] }), []);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => onBuildKey(e, pageId, goTo);
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [pageId, goTo]);

  return (
    <main className="relative flex min-h-0 min-w-0 flex-1 overflow-clip max-sm:flex-col" data-mode="build">
      <button
        className="flex min-h-11 items-center justify-between border-b border-rule bg-panel px-3 sm:hidden"
        aria-expanded={shelves}
        onClick={() => setShelves(!shelves)}
      >
        Pages, and what to place{" "}
        {shelves ? <ChevronUp size={18} aria-hidden /> : <ChevronDown size={18} aria-hidden />}
      </button>
      <aside
        className={`flex w-60 shrink-0 flex-col gap-2 overflow-auto border-r border-rule bg-panel p-2 max-xl:w-52 max-sm:max-h-72 max-sm:w-full max-sm:border-r-0 max-sm:border-b ${shelves ? "" : "max-sm:hidden"}`}
      >
        <Pages pages={pages} current={page} />
        <Shelves page={pageId ?? null} />
      </aside>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        {page ? <PageGrid page={page} /> : <FirstPage />}
        <PathStrip
          held={ids.length === 1 ? laidOf(parts, ids[0]) : undefined}
          selected={ids.length}
          lines={lines}
        />
      </div>
      {dialog === "paste" && pageId && <PasteDialog page={pageId} onClose={() => openDialog(null)} />}
      {dialog === "lines" && pageId && <LinesDialog page={pageId} onClose={() => openDialog(null)} />}
      {dialog === "replace" && <ReplaceDialog controls={[...ids]} onClose={() => openDialog(null)} />}
      {dialog === "layoutFile" && <LayoutFileDialog onClose={() => openDialog(null)} />}
    </main>
  );
}

/** The ways to a first page. */
function FirstPage() {
  const parts = useShow((s) => s.parts);
  const goTo = useGoToPage();
  const navigate = useNavigate();
  const speaking = partsOf(parts, "target").some((t) => t.part.body.phrasebook);
  const start = (tab: (typeof SHELVES)[number]) => {
    const adding = addPage(null);
    void report(adding.then((added) => added.problems));
    return whileHere(adding, ({ id, problems }) => {
      if (problems.length > 0) return;
      useShelf.setState({ tab });
      goTo(id);
    });
  };
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <NextSteps
        title="No page yet. How do you want to begin?"
        steps={[
          {
            title: "Strips of a target",
            text: speaking
              ? "Faders and buttons of each channel, from its phrasebook at the left."
              : "Faders and buttons of each channel. For that a target in Rig needs a phrasebook.",
            Icon: SlidersVertical,
            act: () => void (speaking ? start("Phrases") : navigate("/rig")),
          },
          {
            title: "From a pasted list",
            text: "Paste a message list, and place what you need of it.",
            Icon: ClipboardPaste,
            act: () => void navigate("/rig/phrasebooks"),
          },
          {
            title: "By learning",
            text: "Move the real thing, and a control learns what it says.",
            Icon: Ear,
            act: () => void start("Learn"),
          },
          {
            title: "An empty page",
            text: "Place bare controls, and write their messages.",
            Icon: Plus,
            act: () => void start("Controls"),
          },
        ]}
      />
    </div>
  );
}

const SHELVES = ["Phrases", "Controls", "Learn"] as const;

/** What can be put on the page: phrases of targets, bare controls, or what the real thing says. */
function Shelves({ page }: { page: string | null }) {
  const shelf = useShelf((s) => s.tab);
  return (
    <>
      <div role="tablist" aria-label="What to place" className="flex border-b border-rule">
        {SHELVES.map((name) => (
          <button
            key={name}
            role="tab"
            aria-selected={shelf === name}
            className={`flex-1 px-1 py-1 ${shelf === name ? "border-b-3 border-bone font-bold" : "text-quiet"}`}
            onClick={() => {
              putBack();
              place(null);
              useShelf.setState({ tab: name });
            }}
          >
            {name}
          </button>
        ))}
      </div>
      {shelf === "Phrases" ? (
        <PhraseShelf page={page} />
      ) : shelf === "Learn" ? (
        <LearnShelf />
      ) : (
        <Palette page={page} />
      )}
    </>
  );
}

function Pages({ pages, current }: { pages: HeldOf<Page>[]; current: HeldOf<Page> | undefined }) {
  const goTo = useGoToPage();
  const parts = useShow((s) => s.parts);
  const [panel, setPanel] = useState(false);

  const add = () => {
    const adding = addPage(current?.part.id ?? null);
    void report(adding.then((added) => added.problems));
    return whileHere(adding, ({ id, problems }) => {
      if (problems.length === 0) goTo(id);
    });
  };

  return (
    <section aria-label="Pages" className="flex flex-none flex-col gap-1">
      <div className="flex items-center justify-between">
        <h2 className="text-sm font-bold text-quiet">Pages</h2>
        <span className="flex">
          <NavLink
            to="/lines"
            aria-label="All lines as a table"
            title="All lines as a table"
            className="rounded p-1 text-quiet"
          >
            <Rows3 size={18} aria-hidden />
          </NavLink>
          {current && (
            <button
              aria-label="Page settings"
              title={`Settings of the page ${current.part.body.name}`}
              className="rounded p-1 text-quiet"
              onClick={() => setPanel(true)}
            >
              <Settings2 size={18} aria-hidden />
            </button>
          )}
          <button aria-label="Add page" title="Add page" className="rounded p-1" onClick={() => void add()}>
            <Plus size={18} aria-hidden />
          </button>
        </span>
      </div>
      <PageLinks pages={pages.filter((p) => !inDraft(parts, p.part.id))} current={current?.part.id} />
      {partsOf(parts, "layout")
        .filter((layout) => layout.part.body.draft)
        .map((layout) => (
          <DraftPages key={layout.part.id} draft={layout} current={current?.part.id} />
        ))}
      {current && (
        <EditField
          key={current.part.id}
          label="Page name"
          hideLabel
          value={current.part.body.name}
          onCommit={(name) => of("name", setPage(current, { name }))}
        />
      )}
      {panel && current && <PagePanel page={current} onClose={() => setPanel(false)} />}
    </section>
  );
}
