/** Which trays that pop up are shown here, and where the windows of banks stand. It is so on this device alone. */
import { create } from "zustand";

interface Trays {
  shown: ReadonlySet<string>;
  /** The first column that a bank shows. */
  windows: ReadonlyMap<string, number>;
}

export const useTrays = create<Trays>()(() => ({ shown: new Set(), windows: new Map() }));

export function showTray(id: string, shown: boolean): void {
  useTrays.setState((state) => {
    const next = new Set(state.shown);
    if (shown) next.add(id);
    else next.delete(id);
    return { shown: next };
  });
}

export function moveWindow(id: string, first: number): void {
  useTrays.setState((state) => ({ windows: new Map(state.windows).set(id, first) }));
}
