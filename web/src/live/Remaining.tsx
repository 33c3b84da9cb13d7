import { useEffect, useState } from "react";

/** Time that is left, counted down from when it was told. */
export function Remaining({ told, ms, still }: { told: number; ms: number; still: boolean }) {
  const [now, setNow] = useState(told);
  useEffect(() => {
    if (still) return;
    const timer = setInterval(() => setNow(performance.now()), 100);
    return () => clearInterval(timer);
  }, [still]);
  const left = Math.max(0, ms - (still ? 0 : Math.max(0, now - told)));
  return <>{(left / 1000).toFixed(1)} s</>;
}
