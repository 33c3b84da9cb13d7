/** Phrasebooks: looked at before they are taken in, and given out again. */
import { post, replace } from "./edits";
import { asking, at, read } from "./read";
import type { BookElsewhere, Problem, Reading, ReadPreview, Taking } from "../api/types";

export const previewBook = (reading: Reading) => read<ReadPreview>("phrasebooks/preview", asking(reading));

export const takeBook = (taking: Taking): Promise<Problem[]> => post("phrasebooks", taking);

/** Gives an argument of a phrase the values that a person wrote, such as "0 to 1 dB" or "in | out". */
export const setValues = (phrase: string, argument: number, text: string): Promise<Problem[]> =>
  replace(`phrasebooks/phrases/${phrase}/arguments/${argument}/values`, { text });

/** Says between which values a phrase stays in a proof at the venue, such as "0.2 to 0.4"; nothing for near the present one. */
export const setProofValues = (phrase: string, text: string): Promise<Problem[]> =>
  replace(`phrasebooks/phrases/${phrase}/proof/values`, { text });

/** A proof found the step that a target keeps: the phrase of the address says so from now on. */
export const setStep = (target: string, address: string, step: number): Promise<Problem[]> =>
  replace("phrasebooks/step", { target, address, step });

export const booksElsewhere = () => read<BookElsewhere[]>("phrasebooks/elsewhere");

export const bookFile = (book: string, form: "phrases.csv" | "oscquery.json") =>
  at(`phrasebooks/${book}/${form}`);
