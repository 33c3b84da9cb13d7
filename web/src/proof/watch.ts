/** What went wrong since the watch began, looked at now and again while the frame is shown. */
import { useEffect } from "react";
import { create } from "zustand";
import type { Watch } from "../api/types";
import { useShow } from "../live/show";
import { watch } from "../requests/watch";

const EVERY_MS = 2000;

const useWatched = create<{ now: Watch | null; trouble: string }>()(() => ({ now: null, trouble: "" }));

export const lookAgain = () =>
  watch().then(
    (now) => useWatched.setState({ now, trouble: "" }),
    (e: Error) => useWatched.setState({ trouble: e.message }),
  );

/** Keeps it up to date for as long as the frame is shown; nothing where the show is not live. */
export function useLearnWatch(): void {
  const live = useShow((s) => s.live);
  const show = useShow((s) => s.showId);
  useEffect(() => {
    useWatched.setState({ now: null, trouble: "" });
    if (!live || !show) return;
    void lookAgain();
    const timer = setInterval(() => void lookAgain(), EVERY_MS);
    return () => clearInterval(timer);
  }, [live, show]);
}

export const useWatch = () => useWatched();
/** How many of the incidents are not known to be over. */
export const useWatchOpen = () => useWatched((s) => s.now?.open ?? 0);
