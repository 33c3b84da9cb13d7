/** What the checks found, and what is done about it. */
import { edit, post, remove } from "./edits";
import { asking, read } from "./read";
import type { FindingsView, Found, Problem, TypedLine } from "../api/types";

export async function findingsSince(showId: string, since: number): Promise<FindingsView> {
  const response = await fetch(`/api/shows/${showId}/findings?since=${since}`);
  if (!response.ok) throw new Error(`The findings could not be read (${response.status})`);
  return (await response.json()) as FindingsView;
}

/** Presses the remedies of findings, as one edit. */
export const mend = (found: Found[]): Promise<Problem[]> =>
  post(
    "findings/mend",
    found.map(({ kind, about, facts }) => ({ kind, about, facts })),
  );

/** Says that findings are meant, and why; each stays quiet until its facts change. */
export const accept = (found: Found[], note: string): Promise<Problem[]> =>
  edit(
    found.length === 1 ? "Accept a finding" : `Accept ${found.length} findings`,
    found.map(({ kind, about, facts }) => ({
      step: "put",
      basedOn: 0,
      part: {
        id: crypto.randomUUID(),
        parent: null,
        order: 0,
        body: { kind: "acceptance", finding: kind, about, facts, note: note.trim() },
      },
    })),
  );

export const reopen = (acceptance: string): Promise<Problem[]> => remove("Reopen a finding", acceptance);

/** What cannot work of addresses, or whole messages, that are typed, and what was probably meant. */
export const lookAtTyped = ({ target, lines }: { target: string | null; lines: string[] }) =>
  read<TypedLine[]>("findings/typed", asking({ target, lines }));
