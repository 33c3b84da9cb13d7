import { Plus, RectangleVertical, Square, Trash2, Type } from "lucide-react";
import { useEffect } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { change } from "../api/edits";
import type { ControlKind, Page } from "../api/types";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { addControl, addPage, removePage } from "./actions";
import { onBuildKey } from "./keys";
import { PageGrid } from "./PageGrid";
import { PathStrip } from "./path/PathStrip";
import { place, select, useSelection } from "./selection";

/** Build: the page in the middle, what can be put on it at the left, the path of the selected control below. */
export function LayoutStation() {
  const { page: wanted } = useParams();
  const parts = useShow((s) => s.parts);
  const ids = useSelection((s) => s.ids);
  const pages = partsOf(parts, "page");
  const page = pages.find((p) => p.part.id === wanted) ?? pages[0];
  const pageId = page?.part.id;

  // what is gone, or lies on another page, is not selected
  useEffect(() => {
    const here = ids.filter((id) => parts.get(id)?.part.parent === pageId);
    if (here.length < ids.length) select(...here);
  }, [parts, ids, pageId]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => onBuildKey(e, pageId);
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [pageId]);

  return (
    <main className="flex min-w-0 flex-1 flex-col" data-mode="build">
      <div className="flex min-h-0 flex-1">
        <aside className="flex w-52 shrink-0 flex-col gap-4 overflow-auto border-r border-rule bg-panel p-3">
          <Pages pages={pages} current={page} />
          {page && <Palette page={page} />}
        </aside>
        {page ? (
          <PageGrid page={page} />
        ) : (
          <p className="p-8 text-lg text-quiet">
            No page yet. Add one at the left: it is the grid on which your controls lie.
          </p>
        )}
      </div>
      <PathStrip
        held={ids.length === 1 ? partOf(parts, "control", ids[0]) : undefined}
        selected={ids.length}
      />
    </main>
  );
}

function Pages({ pages, current }: { pages: HeldOf<Page>[]; current: HeldOf<Page> | undefined }) {
  const navigate = useNavigate();

  const add = async () => {
    const adding = addPage();
    const problems = await report(adding.then((added) => added.problems));
    if (problems.length === 0) void navigate(`/layout/${(await adding).id}`);
  };

  const put = (held: HeldOf<Page>, field: keyof Page, part: Partial<Page>) =>
    of(
      field,
      change(`Change ${field} of ${held.part.body.name}`, "page", held.part.id, (b) => ({ ...b, ...part })),
    );

  return (
    <section aria-label="Pages" className="flex flex-col gap-2">
      <div className="flex items-center justify-between">
        <h2 className="text-sm font-bold text-quiet">Pages</h2>
        <span className="flex">
          {current && (
            <button
              aria-label="Remove page"
              title={`Remove the page ${current.part.body.name}`}
              className="rounded p-1 text-quiet"
              onClick={() => void report(removePage(current))}
            >
              <Trash2 size={18} aria-hidden />
            </button>
          )}
          <button aria-label="Add page" title="Add page" className="rounded p-1" onClick={() => void add()}>
            <Plus size={18} aria-hidden />
          </button>
        </span>
      </div>
      {pages.map((p) => (
        <NavLink
          key={p.part.id}
          to={`/layout/${p.part.id}`}
          className={`rounded px-2 py-1.5 ${p === current ? "bg-raised font-bold" : "text-quiet"}`}
        >
          {p.part.body.name}
        </NavLink>
      ))}
      {current && (
        <div className="grid grid-cols-2 gap-2" key={current.part.id}>
          <EditField
            label="Page name"
            className="col-span-2"
            value={current.part.body.name}
            onCommit={(name) => put(current, "name", { name })}
          />
          <NumberField
            label="Columns"
            whole
            value={current.part.body.columns}
            onCommit={(columns) => put(current, "columns", { columns })}
          />
          <NumberField
            label="Rows"
            whole
            value={current.part.body.rows}
            onCommit={(rows) => put(current, "rows", { rows })}
          />
        </div>
      )}
    </section>
  );
}

const KINDS: { kind: ControlKind; name: string; Icon: typeof Square }[] = [
  { kind: "FADER", name: "Fader", Icon: RectangleVertical },
  { kind: "BUTTON", name: "Button", Icon: Square },
  { kind: "READOUT", name: "Readout", Icon: Type },
];

/** The kinds of controls. A click arms one for the next tap on the page; Enter puts it where there is room. */
function Palette({ page }: { page: HeldOf<Page> }) {
  const placing = useSelection((s) => s.placing);
  return (
    <section aria-label="Controls" className="flex flex-col gap-2">
      <h2 className="text-sm font-bold text-quiet">Controls</h2>
      {KINDS.map(({ kind, name, Icon }) => (
        <PushButton
          key={kind}
          aria-pressed={placing === kind}
          className={`justify-start ${placing === kind ? "border-select! text-select!" : ""}`}
          onClick={() => place(placing === kind ? null : kind)}
          onKeyDown={(e) => {
            if (e.key !== "Enter") return;
            e.preventDefault();
            void report(addControl(page, kind));
          }}
        >
          <Icon size={18} aria-hidden /> {name}
        </PushButton>
      ))}
      <p className="text-sm text-quiet" role="status">
        {placing
          ? `Tap a free cell to place the ${placing.toLowerCase()}.`
          : "Choose one, then tap a free cell. Enter places it."}
      </p>
    </section>
  );
}
