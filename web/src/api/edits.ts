/**
 * Edits go to the server, which judges them; what it accepts comes back to every browser over the WebSocket. They leave one
 * after the other, each made from the show as this browser sees it once the one before is there: whoever presses an arrow
 * key ten times in a second is not refused for being faster than their own screen.
 */
import { browser } from "../live/browser";
import { partOf, seen, useShow } from "../live/show";
import type { Arrangement, Body, EditAnswer, Problem, Step } from "./types";

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

async function post(path: string, body?: unknown): Promise<Problem[]> {
  try {
    const response = await fetch(`/api/shows/${useShow.getState().showId}/${path}`, {
      method: "POST",
      headers: { "Content-Type": "application/json", "Imperan-Browser": browser.id },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const answer = (await response.json()) as EditAnswer;
    if (response.ok) await seen(answer.number);
    return answer.problems ?? [NO_ANSWER];
  } catch {
    return [NO_ANSWER];
  }
}

/** @returns what speaks against it; empty where it was accepted and kept */
export function edit(title: string, steps: Step[]): Promise<Problem[]> {
  return inTurn(() => post("edits", { title, steps }));
}

/** Does something with several controls at once, from where they are when its turn comes. */
export function arrange(arrangement: Arrangement): Promise<Problem[]> {
  return inTurn(() => post("arrange", arrangement));
}

/** Changes the body of a part, whatever else of it changed in the meantime. */
export function change<K extends Body["kind"]>(
  title: string,
  kind: K,
  id: string,
  update: (body: Extract<Body, { kind: K }>) => Extract<Body, { kind: K }>,
): Promise<Problem[]> {
  return inTurn(async () => {
    const held = partOf(useShow.getState().parts, kind, id);
    if (!held) return [GONE];
    const part = { ...held.part, body: update(held.part.body as Extract<Body, { kind: K }>) };
    return post("edits", { title, steps: [{ step: "put", part, basedOn: held.version }] });
  });
}

export function remove(title: string, id: string): Promise<Problem[]> {
  return inTurn(async () => {
    const held = useShow.getState().parts.get(id);
    return held ? post("edits", { title, steps: [{ step: "remove", id, basedOn: held.version }] }) : [GONE];
  });
}

export const undo = () => inTurn(() => post("undo"));
export const redo = () => inTurn(() => post("redo"));
