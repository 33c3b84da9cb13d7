/** What Build asks of the server. Where things come to lie is decided there, from where they are when the turn comes. */
import { arrange, change, changeAll, remove } from "../requests/edits";
import type { Arrangement, Cell, Control, ControlKind, Page, Problem, Tray } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { type Copied, copied, copiedTargets, type CopiedPart, keepCopied } from "./clipboard";
import { openDialog } from "./dialogs";
import { controlAt, type Laid, laidOf, laidOn, nameOf } from "../live/laid";
import { place, select, selectAfter, useSelection } from "./selection";

export type Meaning = Extract<Arrangement, { what: "paste" }>["meaning"];
export type Meant = Extract<Arrangement, { what: "paste" }>["targets"];

const selectedIds = () => [...useSelection.getState().ids];

export function selectedLaid(): Laid[] {
  const { parts } = useShow.getState();
  return selectedIds().flatMap((id) => laidOf(parts, id) ?? []);
}

/** Selects everything on the page that is of the same kinds as what is selected. */
export function selectSameKind(page: string): void {
  const { parts } = useShow.getState();
  const kindOf = (held: Laid) =>
    held.part.body.kind === "tray" ? "tray" : controlAt(parts, held)?.part.body.form.kind;
  const kinds = new Set(selectedLaid().map(kindOf));
  const all = laidOn(parts, page).flatMap((held) => [held, ...laidOn(parts, held.part.id)]);
  if (kinds.size) select(...all.filter((held) => kinds.has(kindOf(held))).map((held) => held.part.id));
}

/** Puts a new control at a cell, or at the first place that has room. */
export async function addControl(grid: string, kind: ControlKind, at?: Cell): Promise<Problem[]> {
  const before = useSelection.getState().ids;
  const id = crypto.randomUUID();
  // put down now and not when the server has answered, for the hand may have taken the next one by then
  place(null);
  const problems = await arrange({ what: "add", page: grid, id, kind, at: at ?? null });
  if (problems.length === 0) selectAfter(before, id);
  else if (at && useSelection.getState().placing === null) place(kind);
  return problems;
}

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** What can be done with what is there. */
export type Manner = Without<
  Extract<Arrangement, { what: "move" | "resize" | "align" | "spread" | "match" | "remove" }>,
  "controls"
>;

/** Does something with all that is selected. */
export function arrangeSelected(how: Manner): Promise<Problem[]> {
  return arrange({ ...how, controls: selectedIds() });
}

export function removeSelected(): Promise<Problem[]> {
  return arrangeSelected({ what: "remove" });
}

/** Puts what is selected into a new tray, which is selected then. */
export async function gatherSelected(): Promise<Problem[]> {
  const before = useSelection.getState().ids;
  const id = crypto.randomUUID();
  const number = partsOf(useShow.getState().parts, "tray").length + 1;
  const problems = await arrange({ what: "gather", controls: selectedIds(), id, name: `Tray ${number}` });
  if (problems.length === 0) selectAfter(before, id);
  return problems;
}

/** Takes a tray apart; what lay in it lies on the page. */
export const scatter = (tray: string) => arrange({ what: "scatter", tray });

/** A control or a tray with all that lies in it, as it is copied. */
function withInside(held: Laid): CopiedPart[] {
  const inside = laidOn(useShow.getState().parts, held.part.id);
  return [
    { id: held.part.id, in: null, body: held.part.body },
    ...inside.map((i) => ({ id: i.part.id, in: held.part.id, body: i.part.body })),
  ];
}

export async function copySelected(): Promise<Problem[]> {
  const parts = selectedLaid().flatMap(withInside);
  const { parts: all, showId } = useShow.getState();
  const targets = partsOf(all, "target").map((t) => ({ id: t.part.id, name: t.part.body.name }));
  return parts.length ? keepCopied({ show: showId, parts, targets }) : [];
}

/** What could not be copied is not removed. */
export async function cutSelected(): Promise<Problem[]> {
  const problems = await copySelected();
  return problems.length ? problems : removeSelected();
}

/** Which target of this show is meant by each that the copied lines name: the chosen one, else one of the same name. */
export function meantHere(what: Copied, chosen: Record<string, string>): Meant {
  const { parts } = useShow.getState();
  return copiedTargets(what).flatMap(({ id, name }) => {
    const sameName = partsOf(parts, "target").find((t) => t.part.body.name === name)?.part.id;
    const is = chosen[id] ?? (parts.has(id) ? undefined : sameName);
    return is && parts.has(is) ? [{ was: id, is }] : [];
  });
}

/**
 * Pastes what was copied, as it was: the same lines again. Where it names targets that are not in this show, it is asked first whom they mean;
 * without a page it makes one.
 *
 * @returns what speaks against it, and the page that was made for it
 */
export async function pasteCopied(
  page: string | null,
): Promise<{ page: string | null; problems: Problem[] }> {
  const { parts } = useShow.getState();
  const what = copied();
  const made = page === null && what.parts.length > 0 ? await addPage(null) : null;
  if (made && made.problems.length > 0) return { page: null, problems: made.problems };
  const on = made?.id ?? page;
  if (on === null) return { page: null, problems: [NOTHING_COPIED] };
  const meant = meantHere(what, {});
  const strangers = copiedTargets(what).filter(
    ({ id }) => !parts.has(id) && !meant.some((m) => m.was === id),
  );
  if (strangers.length > 0) {
    openDialog("paste");
    return { page: on, problems: [] };
  }
  return { page: on, problems: await carryOutPaste(pasteOf(on, "SAME", meant)) };
}

const NOTHING_COPIED: Problem = {
  part: null,
  field: "",
  message: "Nothing was copied yet. Select controls and press Ctrl+C first",
  mend: null,
};

export function duplicateSelected(page: HeldOf<Page>): Promise<Problem[]> {
  return carryOutPaste(pasting(page.part.id, selectedLaid().flatMap(withInside), "SAME", []));
}

export type Pasting = Extract<Arrangement, { what: "paste" }>;

/** What pasting with this meaning would ask of the server. */
export function pasteOf(page: string, meaning: Meaning, targets: Meant): Pasting {
  return pasting(page, copied().parts, meaning, targets);
}

function pasting(page: string, parts: CopiedPart[], meaning: Meaning, targets: Meant): Pasting {
  const fresh = new Map(parts.map((part) => [part.id, crypto.randomUUID() as string]));
  const copies = parts.map((part) => ({
    id: fresh.get(part.id)!,
    in: part.in === null ? null : fresh.get(part.in)!,
    body: part.body,
  }));
  return { what: "paste", page, copies, at: null, meaning, targets };
}

export async function carryOutPaste(paste: Pasting): Promise<Problem[]> {
  const before = useSelection.getState().ids;
  const problems = await arrange(paste);
  const roots = paste.copies.filter((copy) => copy.in === null).map((copy) => copy.id);
  if (problems.length === 0) selectAfter(before, ...roots);
  return problems;
}

export function setTray(held: HeldOf<Tray>, what: string, update: Partial<Tray>): Promise<Problem[]> {
  return change(`Change ${what} of ${held.part.body.name}`, "tray", held.part.id, (body) => ({
    ...body,
    ...update,
  }));
}

/** Changes the same of some controls, in one edit. */
export function setControls(
  controls: HeldOf<Control>[],
  what: string,
  update: (body: Control) => Partial<Control>,
): Promise<Problem[]> {
  const [first, ...others] = controls.map((held) => nameOf(held.part.body));
  const called = others.length ? `${first} and ${others.length} more` : first;
  const ids = controls.map((held) => held.part.id);
  return changeAll(`Change ${what} of ${called}`, "control", ids, (body) => ({ ...body, ...update(body) }));
}

/** Adds a page to the layout of another one, or to the first; answers with its id. */
export async function addPage(beside: string | null): Promise<{ id: string; problems: Problem[] }> {
  const id = crypto.randomUUID();
  return { id, problems: await arrange({ what: "addPage", id, beside }) };
}

/** Changes what is named of a page, from what it is when the edit's turn comes. */
export function changePage(
  held: HeldOf<Page>,
  what: string,
  update: (now: Page) => Partial<Page>,
): Promise<Problem[]> {
  const { id, body } = held.part;
  return change(`Change ${what} of ${body.name}`, "page", id, (now) => ({ ...now, ...update(now) }));
}

/** Changes a page, which is named by what of it changes. */
export const setPage = (held: HeldOf<Page>, part: Partial<Page>) =>
  changePage(held, Object.keys(part).join(" and "), () => part);

/**
 * A page once more, for the same screen or for another one; answers with the id of the copy.
 *
 * @param shares whether its controls are the same ones, shown again
 */
export async function duplicatePage(
  page: string,
  screen: Page["screen"]["kind"] | null,
  shares: boolean,
): Promise<{ id: string; problems: Problem[] }> {
  const id = crypto.randomUUID();
  return { id, problems: await arrange({ what: "duplicatePage", page, id, screen, shares }) };
}

/**
 * The controls of a page once more on a page for a phone, laid out anew; answers with its id.
 *
 * @param across how many strips stand beside each other
 */
export async function copyToPhone(page: string, across: 1 | 2): Promise<{ id: string; problems: Problem[] }> {
  const id = crypto.randomUUID();
  return { id, problems: await arrange({ what: "phonePage", page, id, across }) };
}

/** Gives a place where a control is shown again a copy with lines of its own, which is selected then. */
export async function giveOwnLines(twin: string): Promise<Problem[]> {
  const id = crypto.randomUUID();
  const problems = await arrange({ what: "ownLines", twin, id });
  // the twin went, so nothing is selected unless the hand went on
  if (problems.length === 0 && useSelection.getState().ids.every((each) => each === twin)) select(id);
  return problems;
}

/** A copy of a layout to work on; answers with its id. */
export async function copyLayout(layout: string): Promise<{ id: string; problems: Problem[] }> {
  const id = crypto.randomUUID();
  return { id, problems: await arrange({ what: "copyLayout", layout, id }) };
}

export const swapLayout = (draft: string) => arrange({ what: "swapLayout", draft });

export const discardLayout = (draft: string) => remove("Discard the copy of a layout", draft);

export const orderPage = (page: string, places: number) => arrange({ what: "orderPage", page, places });

export function removePage(page: HeldOf<Page>): Promise<Problem[]> {
  return remove(`Remove the page ${page.part.body.name}`, page.part.id);
}
