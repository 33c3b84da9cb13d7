/** What this browser looks for on the wire; it stays while somebody goes to another station and comes back. */
import { create } from "zustand";
import type { WireQuery } from "../api/types";

export const ANYONE = "";
export const STRANGERS = "strangers";

export const NO_QUERY: WireQuery = {
  source: ANYONE,
  way: "BOTH",
  text: "",
  types: "",
  only: "ALL",
  muted: [],
  repeats: false,
};

interface View {
  query: WireQuery;
  /** Packets up to this number are not shown. */
  clearedTo: number;
  /** When it was cleared, in milliseconds since 1970; 0 for never. */
  clearedAt: number;
}

export const useView = create<View>()(() => ({ query: NO_QUERY, clearedTo: 0, clearedAt: 0 }));

export const look = (change: Partial<WireQuery>) =>
  useView.setState(({ query }) => ({ query: { ...query, ...change } }));

/** Leaves out all of a source, or what it says on an address. */
export function mute(source: string, address: string): void {
  const { muted } = useView.getState().query;
  if (!muted.some((each) => each.source === source && each.address === address))
    look({ muted: [...muted, { source, address }] });
}

export const unmute = (source: string, address: string) =>
  look({
    muted: useView
      .getState()
      .query.muted.filter((each) => each.source !== source || each.address !== address),
  });
