import { useEffect, useState } from "react";
import { useShow } from "../live/show";

export interface Look<T> {
  /** What was found last, also while something else is being looked for. */
  found: T | null;
  /** Why it could not be looked for; empty where it could. */
  trouble: string;
  /** Whether what was found belongs to what is asked now. */
  current: boolean;
}

const NOTHING = { found: null, trouble: "", current: false };

/**
 * Looks for something at the server, and again when the show changed or the server is back.
 *
 * @param asked what is asked; null for nothing. Keep it the same object while it means the same
 * @param look  how; the same function each time
 */
export function useLook<A, T>(asked: A | null, look: (asked: A) => Promise<T>): Look<T> {
  const version = useShow((s) => s.version);
  const lost = useShow((s) => s.lostSince !== null);
  const [answer, setAnswer] = useState<{ asked: A; found: T | null; trouble: string } | null>(null);

  useEffect(() => {
    if (asked === null) return;
    let wanted = true;
    look(asked)
      .then((found) => wanted && setAnswer({ asked, found, trouble: "" }))
      .catch((e: Error) => wanted && setAnswer({ asked, found: null, trouble: e.message }));
    return () => {
      wanted = false;
    };
  }, [asked, look, version, lost]);

  if (asked === null || answer === null) return NOTHING;
  return {
    found: answer.found,
    trouble: answer.trouble,
    current: answer.asked === asked && answer.trouble === "",
  };
}
