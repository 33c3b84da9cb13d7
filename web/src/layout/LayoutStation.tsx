import { Plus, RectangleVertical, Square, Type } from "lucide-react";
import { useEffect } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { change, edit, redo, undo } from "../api/edits";
import type { Form, Page } from "../api/types";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { addControl } from "./actions";
import { PageGrid } from "./PageGrid";
import { PathStrip } from "./path/PathStrip";
import { place, select, useSelection } from "./selection";

/** Build: the page in the middle, what can be put on it at the left, the path of the selected control below. */
export function LayoutStation() {
  const { page: wanted } = useParams();
  const parts = useShow((s) => s.parts);
  const selectedId = useSelection((s) => s.id);
  const pages = partsOf(parts, "page");
  const page = pages.find((p) => p.part.id === wanted) ?? pages[0];
  const selected = partOf(parts, "control", selectedId);
  const visible = selected && selected.part.parent === page?.part.id ? selected : undefined;

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.matches("input, textarea, select");
      if (typing) return;
      const key = e.key.toLowerCase();
      if ((e.ctrlKey || e.metaKey) && key === "z") void report(e.shiftKey ? redo() : undo());
      else if ((e.ctrlKey || e.metaKey) && key === "y") void report(redo());
      else if (e.key === "Escape") select(null);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

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
      <PathStrip held={visible} />
    </main>
  );
}

function Pages({ pages, current }: { pages: HeldOf<Page>[]; current: HeldOf<Page> | undefined }) {
  const navigate = useNavigate();
  const parts = useShow((s) => s.parts);

  const add = async () => {
    const layout = partsOf(parts, "layout")[0];
    const layoutId = layout?.part.id ?? crypto.randomUUID();
    const id = crypto.randomUUID();
    const problems = await report(
      edit("Add a page", [
        ...(layout
          ? []
          : [
              {
                step: "put" as const,
                basedOn: 0,
                part: {
                  id: layoutId,
                  parent: null,
                  order: 0,
                  body: { kind: "layout" as const, name: "Layout" },
                },
              },
            ]),
        {
          step: "put",
          basedOn: 0,
          part: {
            id,
            parent: layoutId,
            order: Math.max(0, ...pages.map((p) => p.part.order)) + 1,
            body: { kind: "page", name: `Page ${pages.length + 1}`, columns: 16, rows: 10 },
          },
        },
      ]),
    );
    if (problems.length === 0) void navigate(`/layout/${id}`);
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
        <button aria-label="Add page" className="rounded p-1" onClick={() => void add()}>
          <Plus size={18} aria-hidden />
        </button>
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

const KINDS: { kind: Form["kind"]; name: string; Icon: typeof Square }[] = [
  { kind: "fader", name: "Fader", Icon: RectangleVertical },
  { kind: "button", name: "Button", Icon: Square },
  { kind: "readout", name: "Readout", Icon: Type },
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
          ? `Tap a free cell to place the ${placing}.`
          : "Choose one, then tap a free cell. Enter places it."}
      </p>
    </section>
  );
}
