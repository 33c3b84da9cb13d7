/** The rig as the server sees its network: read again when the show or a link changes, and every now and then. */
import { useEffect } from "react";
import { create } from "zustand";
import { readRig } from "../requests/rig";
import type { RigView, TargetView } from "../api/types";
import { useShow } from "../live/show";

const PERIOD_MS = 2000;

export const useRig = create<{ view: RigView | null }>()(() => ({ view: null }));

let asked = 0;

async function refresh(showId: string): Promise<void> {
  const mine = ++asked;
  try {
    const view = await readRig(showId);
    // an answer that was overtaken by a later one says nothing new
    if (mine === asked) useRig.setState({ view });
  } catch {
    // the banner of the lost server says it; what is shown stays until it is back
  }
}

/** Keeps the rig fresh while a station is on the screen. */
export function useRigWatch(): void {
  const showId = useShow((s) => s.showId);
  const version = useShow((s) => s.version);
  const states = useShow((s) =>
    [...s.links.values()].map((l) => `${l.state}${l.socket.kind}${l.socket.ourHost}${l.sent > 0}`).join(),
  );
  // what is known of one show says nothing of another
  useEffect(() => () => useRig.setState({ view: null }), [showId]);
  useEffect(() => {
    if (!showId) return;
    void refresh(showId);
    const timer = setInterval(() => void refresh(showId), PERIOD_MS);
    return () => clearInterval(timer);
  }, [showId, version, states]);
}

/** What the server worked out of one target; undefined until it is there. */
export const useTargetView = (id: string): TargetView | undefined => useRig((s) => s.view?.targets[id]);
