import { useEffect, useRef, useState } from "react";
import type { RepeatingRow, WireQuery } from "../api/types";
import { wireRows } from "../requests/wire";
import { NO_ROWS, type Rows, taken, takenOlder } from "./rows";

const AGAIN_MS = 200;

interface Looked extends Rows {
  repeating: RepeatingRow[];
  /** What is wrong with the question. */
  problem: string;
  /** Why nothing can be asked. */
  trouble: string;
  asked: boolean;
}

const NOTHING: Looked = { ...NO_ROWS, repeating: [], problem: "", trouble: "", asked: false };

/** The packets that pass, as they come; asked for as often as one looks. */
export function useRows(query: WireQuery): Looked & { showOlder: () => void } {
  const [looked, setLooked] = useState(NOTHING);
  const first = useRef(0);
  const key = JSON.stringify(query);
  useEffect(() => {
    const asked = JSON.parse(key) as WireQuery;
    let wanted = true;
    let since = 0;
    let fresh = true;
    let timer: ReturnType<typeof setTimeout>;
    const ask = () =>
      wireRows(asked, since)
        .then(
          (found) => {
            if (!wanted) return;
            // after a restart of the server its numbers begin anew, and another show has none of these packets
            const begins = fresh || found.change < since;
            since = begins && !fresh ? 0 : found.change;
            fresh = begins && !fresh;
            if (fresh) return setLooked({ ...NOTHING, asked: true });
            setLooked((before) => {
              const now = taken(begins ? NO_ROWS : before, found);
              first.current = now.rows[0]?.number ?? 0;
              return {
                ...now,
                repeating: found.repeating,
                problem: found.problem ?? "",
                trouble: "",
                asked: true,
              };
            });
          },
          (e: Error) => wanted && setLooked((before) => ({ ...before, trouble: e.message })),
        )
        .finally(() => {
          if (wanted) timer = setTimeout(() => void ask(), AGAIN_MS);
        });
    void ask();
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [key]);

  const showOlder = () =>
    void wireRows(query, 0, first.current).then(
      (found) =>
        setLooked((before) => {
          const now = takenOlder(before, found);
          first.current = now.rows[0]?.number ?? 0;
          return { ...before, ...now };
        }),
      (e: Error) => setLooked((before) => ({ ...before, trouble: e.message })),
    );

  return { ...looked, showOlder };
}
