/** What this device lends besides its screen: its sensors while they are on, game controllers while they are there. */
import { create } from "zustand";

export const useLends = create<{ sources: readonly string[] }>()(() => ({ sources: [] }));

/** Lends a source from now on, until what is returned is called. */
export function lend(source: string): () => void {
  useLends.setState(({ sources }) => ({ sources: [...sources, source] }));
  return () =>
    useLends.setState(({ sources }) => {
      const at = sources.indexOf(source);
      return { sources: sources.filter((_, i) => i !== at) };
    });
}
