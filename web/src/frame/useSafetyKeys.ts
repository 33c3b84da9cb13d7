import { useEffect } from "react";
import { stopAll } from "../requests/cues";
import { toggleHoldAll } from "../rig/gates";
import { isMeantElsewhere } from "../ui/keys";

/** The one key that holds everything, and the one that stops all that plays by itself, wherever they are pressed. */
export function useSafetyKeys(): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      const act = { h: toggleHoldAll, ".": stopAll }[e.key.toLowerCase()];
      if (!act) return;
      e.preventDefault();
      act();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
