/** Letting phones and tablets in. */
import { browser } from "../live/browser";
import type { Door, FoundService, Problem, StartView } from "../api/types";

interface Answer {
  door: Door;
  problems: Problem[];
}

async function call(method: string, path: string, body?: unknown): Promise<Answer> {
  const response = await fetch(`/api/network${path}`, {
    method,
    headers: { "Content-Type": "application/json", "Imperan-Browser": browser.id },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  return (await response.json()) as Answer;
}

export async function readDoor(): Promise<Door> {
  return (await (await fetch("/api/network")).json()) as Door;
}

/** What was opened since the start, and where this machine can be reached. */
export async function readStart(): Promise<StartView> {
  const response = await fetch("/api/network/start").catch(() => null);
  if (!response?.ok) throw new Error("The server does not answer");
  return (await response.json()) as StartView;
}

export async function findServices(): Promise<FoundService[]> {
  return (await (await fetch("/api/network/found")).json()) as FoundService[];
}

export const openDoor = (open: boolean) => call("PUT", "", { open });
export const changeKey = () => call("POST", "/key");
export const CERTIFICATE = "/api/network/certificate";
