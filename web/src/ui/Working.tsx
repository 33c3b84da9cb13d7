import { useEffect, useState } from "react";

/** Says that something goes on, once it takes longer than a moment, and for how long it has. */
export function Working({ what }: { what: string }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const begun = performance.now();
    const timer = setInterval(() => setSeconds(Math.floor((performance.now() - begun) / 1000)), 250);
    return () => clearInterval(timer);
  }, []);
  if (seconds === 0) return null;
  return (
    <p role="status" className="flex items-center gap-3 text-quiet">
      <progress className="h-2 flex-1 accent-selection" aria-label={what} />
      {what} … {seconds} s
    </p>
  );
}
