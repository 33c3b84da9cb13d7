/** Reads something that the server works out of the show this browser looks at. */
import { browser } from "../live/browser";
import { useShow } from "../live/show";
import type { EditAnswer } from "../api/types";

/** Where something of this show is found. */
export const at = (path: string) => `/api/shows/${useShow.getState().showId}/${path}`;

/** @throws Error with a sentence for people, where the server does not answer or cannot say it */
export async function read<T>(path: string, init?: RequestInit): Promise<T> {
  const headers = { "Imperan-Browser": browser.id, ...init?.headers };
  const response = await fetch(at(path), { ...init, headers }).catch(() => null);
  if (response?.ok) return (await response.json()) as T;
  const answer = (await response?.json().catch(() => null)) as Partial<EditAnswer> | null;
  throw new Error(answer?.problems?.[0]?.message ?? "The server does not answer");
}

/** A question that needs more words than an address has. */
export const asking = (body: unknown): RequestInit => ({
  method: "POST",
  headers: { "Content-Type": "application/json" },
  body: JSON.stringify(body),
});

/** The same of a text: a table, or a file. */
export const askingText = (body: string): RequestInit => ({
  method: "POST",
  headers: { "Content-Type": "text/plain;charset=UTF-8" },
  body,
});
