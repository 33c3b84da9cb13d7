/** The edits of Build, each with the words that the history shows. */
import { change, edit, remove } from "../api/edits";
import type { Cells, Control, Form, Page, Problem } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { select } from "./selection";

const SIZES: Record<Form["kind"], { width: number; height: number }> = {
  fader: { width: 2, height: 8 },
  button: { width: 2, height: 2 },
  readout: { width: 3, height: 1 },
};

const FORMS: Record<Form["kind"], Form> = {
  fader: { kind: "fader", direction: "UP", grab: "RELATIVE", rest: 0 },
  button: { kind: "button", latching: false },
  readout: { kind: "readout" },
};

export function nameOf(control: Control): string {
  return control.label || control.form.kind;
}

/** Puts a new control at a cell, or at the first place that has room; smaller where the room is small. */
export async function addControl(
  page: HeldOf<Page>,
  kind: Form["kind"],
  at?: { column: number; row: number },
): Promise<Problem[]> {
  const controls = partsOf(useShow.getState().parts, "control", page.part.id);
  const cells = roomFor(
    page.part.body,
    controls.map((c) => c.part.body.cells),
    SIZES[kind],
    at,
  );
  if (!cells) {
    return [
      {
        part: null,
        field: "",
        message: "There is no free cell on this page. Make the page larger or remove something",
        mend: null,
      },
    ];
  }
  const count = controls.filter((c) => c.part.body.form.kind === kind).length + 1;
  const label = `${kind[0]!.toUpperCase()}${kind.slice(1)} ${count}`;
  const id = crypto.randomUUID();
  const problems = await edit(`Add ${label}`, [
    {
      step: "put",
      basedOn: 0,
      part: {
        id,
        parent: page.part.id,
        order: Math.max(0, ...controls.map((c) => c.part.order)) + 1,
        body: { kind: "control", label, cells, form: FORMS[kind], sends: [], listens: [] },
      },
    },
  ]);
  if (problems.length === 0) select(id);
  return problems;
}

function roomFor(
  page: Page,
  taken: Cells[],
  size: { width: number; height: number },
  at?: { column: number; row: number },
) {
  const free = (c: Cells) =>
    c.column + c.width <= page.columns &&
    c.row + c.height <= page.rows &&
    !taken.some(
      (t) =>
        t.column < c.column + c.width &&
        c.column < t.column + t.width &&
        t.row < c.row + c.height &&
        c.row < t.row + t.height,
    );
  const places = at
    ? [at]
    : Array.from({ length: page.columns * page.rows }, (_, i) => ({
        column: i % page.columns,
        row: Math.floor(i / page.columns),
      }));
  for (let height = size.height; height >= 1; height--) {
    for (let width = size.width; width >= 1; width--) {
      for (const spot of places) {
        const cells = { ...spot, width, height };
        if (free(cells)) return cells;
      }
    }
  }
  return undefined;
}

/** Moves or resizes a control from where it is when this edit's turn comes. */
export function setCells(
  held: HeldOf<Control>,
  how: "Move" | "Resize",
  place: (before: Cells) => Cells,
): Promise<Problem[]> {
  return change(`${how} ${nameOf(held.part.body)}`, "control", held.part.id, (body) => ({
    ...body,
    cells: place(body.cells),
  }));
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

export async function removeControl(held: HeldOf<Control>): Promise<Problem[]> {
  const problems = await remove(`Remove ${nameOf(held.part.body)}`, held.part.id);
  if (problems.length === 0) select(null);
  return problems;
}
