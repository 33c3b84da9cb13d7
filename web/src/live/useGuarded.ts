import { useEffect, useState } from "react";
import type { ToldCues } from "./show";

/** Whether a go just now makes another one do nothing. */
export function useGuarded(told: ToldCues | undefined): boolean {
  const [over, setOver] = useState<ToldCues>();
  useEffect(() => {
    if (!told) return;
    const left = told.at + told.state.guardMs - performance.now();
    const timer = setTimeout(() => setOver(told), Math.max(0, left));
    return () => clearTimeout(timer);
  }, [told]);
  return told !== undefined && told.state.guardMs > 0 && over !== told;
}
