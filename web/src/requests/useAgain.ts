import { useEffect, useState } from "react";

export interface Again<T> {
  /** What was found last; null before the first answer. */
  found: T | null;
  /** Why it could not be asked; empty where it could. */
  trouble: string;
}

/**
 * Asks now, and again a while after each answer, for as long as somebody looks. What was found last stays while something else is asked.
 *
 * @param asked what is asked; null for nothing for now. Keep it the same while it means the same
 * @param look  how; the same function each time
 */
export function useAgain<A, T>(
  asked: A | null,
  look: (asked: A) => Promise<T>,
  everyMillis: number,
): Again<T> {
  const [answer, setAnswer] = useState<Again<T>>({ found: null, trouble: "" });
  useEffect(() => {
    if (asked === null) return;
    let wanted = true;
    let timer: ReturnType<typeof setTimeout>;
    const ask = () =>
      look(asked)
        .then(
          (found) => wanted && setAnswer({ found, trouble: "" }),
          (e: Error) => wanted && setAnswer((before) => ({ ...before, trouble: e.message })),
        )
        .finally(() => {
          if (wanted) timer = setTimeout(() => void ask(), everyMillis);
        });
    void ask();
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [asked, look, everyMillis]);
  return answer;
}
