import { useEffect } from "react";
import { toggleHoldAll } from "../rig/gates";
import { isMeantElsewhere } from "../ui/keys";

/** The one key that holds everything, wherever it is pressed. */
export function useHoldKey(): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e) || e.ctrlKey || e.metaKey || e.altKey || e.key.toLowerCase() !== "h") return;
      e.preventDefault();
      toggleHoldAll();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
