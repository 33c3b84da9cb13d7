/** Edits go to the server, which judges them; what it accepts comes back to every browser over the WebSocket. */
import { browser } from "../live/browser";
import { useShow } from "../live/show";
import type { EditAnswer, Held, Part, Problem, Step } from "./types";

const NO_ANSWER: Problem = {
  part: null,
  field: "",
  message: "The server does not answer; nothing was changed",
  mend: null,
};

async function post(path: string, body?: unknown): Promise<Problem[]> {
  try {
    const response = await fetch(`/api/shows/${useShow.getState().showId}/${path}`, {
      method: "POST",
      headers: { "Content-Type": "application/json", "Imperan-Browser": browser.id },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const answer = (await response.json()) as EditAnswer;
    return answer.problems ?? [NO_ANSWER];
  } catch {
    return [NO_ANSWER];
  }
}

/** @returns what speaks against it; empty where it was accepted and kept */
export function edit(title: string, steps: Step[]): Promise<Problem[]> {
  return post("edits", { title, steps });
}

/** Changes the body of a part, based on the version this browser sees. */
export function change(title: string, held: Held, body: Part["body"]): Promise<Problem[]> {
  return edit(title, [{ step: "put", part: { ...held.part, body }, basedOn: held.version }]);
}

export function remove(title: string, held: Held[]): Promise<Problem[]> {
  return edit(
    title,
    held.map((h) => ({ step: "remove", id: h.part.id, basedOn: h.version })),
  );
}

export const undo = () => post("undo");
export const redo = () => post("redo");
