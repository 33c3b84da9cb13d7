/** What Build asks of the server. Where things come to lie is decided there, from where they are when the turn comes. */
import { arrange, change, edit, remove } from "../api/edits";
import type { Arrangement, Cell, Control, ControlKind, Page, Problem } from "../api/types";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { copied, keepCopied } from "./clipboard";
import { selectAfter, useSelection } from "./selection";

export function nameOf(control: Control): string {
  return control.label || control.form.kind;
}

const selectedIds = () => [...useSelection.getState().ids];

function selectedControls(): HeldOf<Control>[] {
  const { parts } = useShow.getState();
  return selectedIds()
    .map((id) => partOf(parts, "control", id))
    .filter((held) => held !== undefined);
}

/** Puts a new control at a cell, or at the first place that has room. */
export async function addControl(page: HeldOf<Page>, kind: ControlKind, at?: Cell): Promise<Problem[]> {
  const before = useSelection.getState().ids;
  const id = crypto.randomUUID();
  const problems = await arrange({ what: "add", page: page.part.id, id, kind, at: at ?? null });
  if (problems.length === 0) selectAfter(before, id);
  return problems;
}

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** What can be done with controls that are there. */
export type Manner = Without<Exclude<Arrangement, { what: "add" | "paste" }>, "controls">;

/** Does something with all that is selected. */
export function arrangeSelected(how: Manner): Promise<Problem[]> {
  return arrange({ ...how, controls: selectedIds() });
}

export function removeSelected(): Promise<Problem[]> {
  return arrange({ what: "remove", controls: selectedIds() });
}

export async function copySelected(): Promise<Problem[]> {
  const controls = selectedControls();
  return controls.length ? keepCopied(controls.map((held) => held.part.body)) : [];
}

/** What could not be copied is not removed. */
export async function cutSelected(): Promise<Problem[]> {
  const problems = await copySelected();
  return problems.length ? problems : removeSelected();
}

export function pasteCopied(page: HeldOf<Page>): Promise<Problem[]> {
  return pasteAll(page, copied());
}

export function duplicateSelected(page: HeldOf<Page>): Promise<Problem[]> {
  return pasteAll(
    page,
    selectedControls().map((held) => held.part.body),
  );
}

async function pasteAll(page: HeldOf<Page>, controls: Control[]): Promise<Problem[]> {
  const before = useSelection.getState().ids;
  const copies = controls.map((control) => ({ id: crypto.randomUUID() as string, control }));
  const problems = await arrange({ what: "paste", page: page.part.id, copies, at: null });
  if (problems.length === 0) selectAfter(before, ...copies.map((copy) => copy.id));
  return problems;
}

export function setControl(
  held: HeldOf<Control>,
  what: string,
  update: (body: Control) => Partial<Control>,
): Promise<Problem[]> {
  return change(`Change ${what} of ${nameOf(held.part.body)}`, "control", held.part.id, (body) => ({
    ...body,
    ...update(body),
  }));
}

/** Adds a page, and a layout for it to lie in where there is none; answers with the id of the page. */
export async function addPage(): Promise<{ id: string; problems: Problem[] }> {
  const { parts } = useShow.getState();
  const pages = partsOf(parts, "page");
  const layout = partsOf(parts, "layout")[0]?.part.id;
  const layoutId = layout ?? crypto.randomUUID();
  const id = crypto.randomUUID();
  const fresh = { step: "put" as const, basedOn: 0 };
  const problems = await edit("Add a page", [
    ...(layout
      ? []
      : [
          {
            ...fresh,
            part: { id: layoutId, parent: null, order: 0, body: { kind: "layout" as const, name: "Layout" } },
          },
        ]),
    {
      ...fresh,
      part: {
        id,
        parent: layoutId,
        order: Math.max(0, ...pages.map((p) => p.part.order)) + 1,
        body: { kind: "page", name: `Page ${pages.length + 1}`, columns: 16, rows: 10 },
      },
    },
  ]);
  return { id, problems };
}

export function removePage(page: HeldOf<Page>): Promise<Problem[]> {
  return remove(`Remove the page ${page.part.body.name}`, page.part.id);
}
