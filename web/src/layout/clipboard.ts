/** Copied controls and trays, kept by this browser across pages, shows and tabs. */
import type { Control, Problem, Tray, Twin } from "../api/types";

const KEY = "imperan.copied";

/** A part as it was copied; `in` names the copied tray it lies in. */
export interface CopiedPart {
  id: string;
  in: string | null;
  body: Control | Tray | Twin;
}

/** What was copied, with the names of the targets of its show: another show may have others. */
export interface Copied {
  show: string;
  parts: CopiedPart[];
  targets: { id: string; name: string }[];
}

const NOTHING: Copied = { show: "", parts: [], targets: [] };

export function copied(): Copied {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? "null") as Copied | null;
    return kept && Array.isArray(kept.parts) && Array.isArray(kept.targets) ? kept : NOTHING;
  } catch {
    return NOTHING;
  }
}

/** The targets that lines of what was copied name. */
export function copiedTargets({ parts, targets }: Copied): { id: string; name: string }[] {
  const named = new Set(
    parts.flatMap(({ body }) =>
      body.kind === "control" ? [...body.sends, ...body.listens].map((line) => line.target) : [],
    ),
  );
  return targets.filter((target) => named.has(target.id));
}

/** @returns what speaks against it: a browser keeps only so much */
export function keepCopied(what: Copied): Problem[] {
  try {
    localStorage.setItem(KEY, JSON.stringify(what));
    return [];
  } catch {
    const message = "This browser has no room to keep the copy. Copy fewer controls at once";
    return [{ part: null, field: "", message, mend: null }];
  }
}
