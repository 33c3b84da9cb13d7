/** Trials of cue lists. */
import type { CutOff, Trial, TrialWish } from "../api/types";
import { post } from "./edits";
import { at, read } from "./read";

/** The names of the targets that a list speaks to at the venue. */
export const trialVenues = (list: string) => read<string[]>(`cues/${list}/trial/venues`);
export const beginTrial = (list: string, wish: TrialWish) => post(`cues/${list}/trial`, wish);
export const stopTrial = (list: string) => post(`cues/${list}/trial/stop`);
/** The one that runs, or the last one; nothing where there was none. */
export const trialOf = (list: string) =>
  read<Trial[]>(`cues/${list}/trial`).then((found) => found[0] ?? null);
/** The last one, where the end of a server cut it off. */
export const cutTrial = (list: string) =>
  read<CutOff[]>(`cues/${list}/trial/cut`).then((found) => found[0] ?? null);
export const trialAsCsv = (list: string) => at(`cues/${list}/trial/report.csv`);
