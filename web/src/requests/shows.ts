/** What is done with whole shows, their files and their history. */
import { browser } from "../live/browser";
import { useShow } from "../live/show";
import { named } from "../api/work";
import type { EditAnswer, EditLine, KeepPoint, Preview, Problem, ShowDone, ShowInfo } from "../api/types";

const NO_ANSWER: ShowDone = {
  show: null,
  problems: [
    { part: null, field: "", message: "The server does not answer; nothing was changed", mend: null },
  ],
};

interface Sent {
  json?: unknown;
  text?: string;
  /** By which it is asked about. */
  work?: string;
}

async function call<T>(method: string, path: string, body?: Sent): Promise<T> {
  const response = await fetch(`/api/${path}`, {
    method,
    headers: {
      "Content-Type": body?.text === undefined ? "application/json" : "text/plain;charset=UTF-8",
      "Imperan-Browser": browser.id,
      ...named(body?.work),
    },
    body: body?.text ?? (body?.json === undefined ? undefined : JSON.stringify(body.json)),
  });
  return (await response.json()) as T;
}

async function done(method: string, path: string, body?: Sent): Promise<ShowDone> {
  try {
    const answer = await call<ShowDone>(method, path, body);
    return { show: answer.show ?? null, problems: answer.problems ?? NO_ANSWER.problems };
  } catch {
    return NO_ANSWER;
  }
}

export const listShows = () => call<ShowInfo[]>("GET", "shows");
export const createShow = (name: string) => done("POST", "shows", { json: { name } });
export const renameShow = (id: string, name: string) => done("PUT", `shows/${id}/name`, { json: { name } });
export const duplicateShow = (id: string) => done("POST", `shows/${id}/duplicate`);
export const deleteShow = (id: string) => done("DELETE", `shows/${id}`);
export const bringBackShow = (id: string) => done("POST", `shows/${id}/bring-back`);
export const goLive = (id: string) => done("POST", `shows/${id}/live`);
export const fileOf = (id: string) => `/api/shows/${id}/file`;
/** @throws Error with a sentence for people, where the server does not answer or it was cancelled */
export async function previewFile(text: string, work: string): Promise<Preview> {
  const answer = await call<Partial<Preview>>("POST", "files/preview", { text, work }).catch(() => null);
  if (answer?.name !== undefined) return answer as Preview;
  throw new Error((answer ?? NO_ANSWER).problems?.[0]?.message);
}
export const takeFile = (text: string, onSameName: "REFUSE" | "KEEP_BOTH" | "REPLACE", work: string) =>
  done("POST", `files?onSameName=${onSameName}`, { text, work });

const here = () => `shows/${useShow.getState().showId}`;

export const listEdits = (before?: number) =>
  call<EditLine[]>("GET", `${here()}/edits${before === undefined ? "" : `?before=${before}`}`);
export const listKeepPoints = () => call<KeepPoint[]>("GET", `${here()}/keep-points`);

async function answered(path: string, json?: unknown): Promise<Problem[]> {
  try {
    return (await call<EditAnswer>("POST", `${here()}/${path}`, { json })).problems ?? NO_ANSWER.problems;
  } catch {
    return NO_ANSWER.problems;
  }
}

export const keepVersion = (name: string) => answered("keep-points", { name });
export const restoreVersion = (version: number) => answered(`restore/${version}`);
