/** Requests that take long: how far they are, and their end where nobody waits for them any more. */
import type { WorkState } from "./types";

/** A name by which one request is asked about. */
export const newWork = (): string => crypto.randomUUID();

/** The header that gives a request its name. */
export const named = (work?: string): Record<string, string> =>
  work === undefined ? {} : { "Imperan-Work": work };

/** How far it is; null where it has not begun, where it is over, and where the server does not answer. */
export async function stateOf(work: string): Promise<WorkState | null> {
  try {
    const response = await fetch(`/api/work/${work}`);
    return ((await response.json()) as WorkState[])[0] ?? null;
  } catch {
    return null;
  }
}

/** Its own answer says whether it was over before. */
export const cancelWork = (work: string): Promise<unknown> =>
  fetch(`/api/work/${work}`, { method: "DELETE" }).catch(() => null);
