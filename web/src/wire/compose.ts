/** The message that somebody is writing; it stays while they look elsewhere. */
import { create } from "zustand";

interface Compose {
  /** Empty for the first target of the rig. */
  target: string;
  line: string;
  hex: string;
  everySeconds: number;
}

export const useCompose = create<Compose>()(() => ({ target: "", line: "", hex: "", everySeconds: 1 }));
