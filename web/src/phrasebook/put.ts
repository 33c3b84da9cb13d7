import type { Phrase, Problem } from "../api/types";

/** Puts a phrase that is changed, and says what is against it at that field. */
export type PutPhrase = (field: string, update: (p: Phrase) => Phrase) => Promise<Problem[]>;
