/**
 * Edits go to the server, which judges them; what it accepts comes back to every browser over the WebSocket. They leave one
 * after the other, each made from the show as this browser sees it once the one before is there: whoever presses an arrow
 * key ten times in a second is not refused for being faster than their own screen.
 */
import { browser } from "../live/browser";
import { partOf, seen, useShow } from "../live/show";
import { told } from "../ui/notices";
import type { Arrangement, Body, EditAnswer, EditLine, Problem, Step } from "../api/types";

const NO_ANSWER: Problem = {
  part: null,
  field: "",
  message: "The server does not answer; nothing was changed",
  mend: null,
};

const GONE: Problem = { part: null, field: "", message: "This part is no longer there", mend: null };

let last: Promise<unknown> = Promise.resolve();

function inTurn(work: () => Promise<Problem[]>): Promise<Problem[]> {
  const mine = last.then(work);
  last = mine;
  return mine;
}

/** Once what was typed before is there: what is tried next is to have it. */
export const afterEdits = (): Promise<unknown> => last;

function ask(method: string, path: string, body?: unknown): Promise<Problem[]> {
  return askWith(method, path, "application/json", body === undefined ? undefined : JSON.stringify(body));
}

async function askWith(method: string, path: string, type: string, body?: string | Blob): Promise<Problem[]> {
  try {
    const response = await fetch(`/api/shows/${useShow.getState().showId}/${path}`, {
      method,
      headers: { "Content-Type": type, "Imperan-Browser": browser.id },
      body,
    });
    const answer = (await response.json()) as EditAnswer;
    if (response.ok) await seen(answer.number);
    return answer.problems ?? [NO_ANSWER];
  } catch {
    return [NO_ANSWER];
  }
}

/** An edit that the server makes of what it is told, when its turn comes. */
export const post = (path: string, body?: unknown) => inTurn(() => ask("POST", path, body));
/** The same, of something that is to be otherwise. */
export const replace = (path: string, body: unknown) => inTurn(() => ask("PUT", path, body));

/** The same, of something that is to be gone. */
export const erase = (path: string) => inTurn(() => ask("DELETE", path));

/** An edit that the server makes of a text: a table, or a file. */
export const inTurnPost = (path: string, text: string) =>
  inTurn(() => askWith("POST", path, "text/plain", text));

/** The same of a file that is no text. */
export const inTurnBytes = (path: string, bytes: Blob) =>
  inTurn(() => askWith("POST", path, "application/octet-stream", bytes));

/** @returns what speaks against it; empty where it was accepted and kept */
export function edit(title: string, steps: Step[]): Promise<Problem[]> {
  return inTurn(() => ask("POST", "edits", { title, steps }));
}

/** Does something with several controls at once, from where they are when its turn comes. */
export function arrange(arrangement: Arrangement): Promise<Problem[]> {
  return inTurn(() => ask("POST", "arrange", arrangement));
}

type Update<K extends Body["kind"]> = (body: Extract<Body, { kind: K }>) => Extract<Body, { kind: K }>;

/** Changes the body of a part, whatever else of it changed in the meantime. */
export function change<K extends Body["kind"]>(
  title: string,
  kind: K,
  id: string,
  update: Update<K>,
): Promise<Problem[]> {
  return changeAll(title, kind, [id], update);
}

/** The same with several parts in one edit; those that are gone meanwhile are left out. */
export function changeAll<K extends Body["kind"]>(
  title: string,
  kind: K,
  ids: string[],
  update: Update<K>,
): Promise<Problem[]> {
  return inTurn(async () => {
    const { parts } = useShow.getState();
    const steps = ids.flatMap((id) => {
      const held = partOf(parts, kind, id);
      if (!held) return [];
      const part = { ...held.part, body: update(held.part.body as Extract<Body, { kind: K }>) };
      return [{ step: "put" as const, part, basedOn: held.version }];
    });
    return steps.length ? ask("POST", "edits", { title, steps }) : [GONE];
  });
}

export function remove(title: string, id: string): Promise<Problem[]> {
  return inTurn(async () => {
    const held = useShow.getState().parts.get(id);
    return held
      ? ask("POST", "edits", { title, steps: [{ step: "remove", id, basedOn: held.version }] })
      : [GONE];
  });
}

/** Locks the show, so that it can be operated and not changed, or unlocks it. */
export const lock = (locked: boolean) => inTurn(() => ask("PUT", "lock", { locked }));

export const undo = () => saying(post("undo"));
export const redo = () => saying(post("redo"));

/** What was taken back may be at another station: so it is said. */
async function saying(taken: Promise<Problem[]>): Promise<Problem[]> {
  const problems = await taken;
  if (problems.length > 0) return problems;
  const newest = await fetch(`/api/shows/${useShow.getState().showId}/edits`)
    .then((response) => response.json() as Promise<EditLine[]>)
    .catch(() => []);
  if (newest[0]) told(newest[0].title);
  return problems;
}
