/** Edits and orders of cue lists. */
import type { Command, CountedLine, Problem, TablePreview } from "../api/types";
import { command } from "../live/connection";
import { inTurnPost, post } from "./edits";
import { askingText, at, read } from "./read";

type Step = Extract<Command, { kind: "cues" }>;

/** Steps or steers a list. What cannot be is told by the server as a notice. */
export const stepCues = (list: string, deed: Step["deed"], cue: string | null = null) =>
  command({ kind: "cues", list, deed, cue });

/** All that plays by itself stops. */
export const stopAll = () => command({ kind: "stopAll" });

/** A cue that does nothing yet, behind another one or at the end. */
export const insertCue = (list: string, after: string | null, id: string): Promise<Problem[]> =>
  post("cues/insert", { list, after, id });

/** The same cue again, with the next numbers. */
export const copyCue = (cue: string, id: string): Promise<Problem[]> => post("cues/copy", { cue, id });

export const renumberCues = (list: string, first: number, step: number): Promise<Problem[]> =>
  post("cues/renumber", { list, first, step });

/** The lines of a list that say a number which their targets count for themselves. */
export const countedIn = (list: string) => read<CountedLine[]>(`cues/${list}/counted`);

/** Where controls stand now, as a look. */
export const recordLook = (
  look: string,
  name: string,
  pages: string[],
  forms: string[],
): Promise<Problem[]> => post("looks", { look, name, pages, forms });

/** A list as a table, and what a table would make of it. */
export const cuesAsCsv = (list: string) => at(`cues/${list}.csv`);
export const previewCues = (list: string) => (table: string) =>
  read<TablePreview>(`cues/${list}/table/preview`, askingText(table));
export const takeCues = (list: string) => (table: string) => inTurnPost(`cues/${list}/table`, table);
