import { useEffect, useRef, useState } from "react";
import type { RepeatingRow, WireFound, WireQuery } from "../api/types";
import { wireRows } from "../requests/wire";
import { NO_ROWS, type Rows, taken, takenOlder } from "./rows";

const AGAIN_MS = 200;

interface Looked extends Rows {
  repeating: RepeatingRow[];
  /** How many came since it was paused. */
  waiting: number;
  /** What is wrong with the question. */
  problem: string;
  /** Why nothing can be asked. */
  trouble: string;
  asked: boolean;
}

const NOTHING: Looked = { ...NO_ROWS, repeating: [], waiting: 0, problem: "", trouble: "", asked: false };

/**
 * The packets that pass, as they come; asked for as often as one looks.
 *
 * @param paused the number of the newest packet that is shown while the list stands still; null while it does not. What comes meanwhile is counted
 */
export function useRows(query: WireQuery, paused: number | null = null): Looked & { showOlder: () => void } {
  const [looked, setLooked] = useState(NOTHING);
  const first = useRef(0);
  /** What is known: of which question, up to which change, and whether the next answer is the first one. */
  const mark = useRef({ key: "", paused: false, since: 0, fresh: true });
  const key = JSON.stringify(query);
  useEffect(() => {
    const asked = JSON.parse(key) as WireQuery;
    const known = mark.current;
    // another question begins anew, and so does a list that goes on
    known.fresh ||= known.key !== key || (known.paused && paused === null);
    known.key = key;
    known.paused = paused !== null;
    let wanted = true;
    let timer: ReturnType<typeof setTimeout>;

    const show = (found: WireFound, begins: boolean) =>
      setLooked((before) => {
        const now = taken(begins ? NO_ROWS : before, found);
        first.current = now.rows[0]?.number ?? 0;
        const { repeating, problem } = found;
        return { ...now, repeating, waiting: 0, problem: problem ?? "", trouble: "", asked: true };
      });

    const goOn = (found: WireFound) => {
      // after a restart of the server its numbers begin anew, and another show has none of these packets
      if (!known.fresh && found.change < known.since) {
        known.fresh = true;
        setLooked({ ...NOTHING, asked: true });
        return;
      }
      show(found, known.fresh);
      known.since = found.change;
      known.fresh = false;
    };

    const standStill = (found: WireFound, upTo: number) => {
      if (known.fresh) {
        show(found, true);
        known.fresh = false;
      } else {
        const waiting = found.rows.filter((row) => row.number > upTo).length + found.leftOut;
        setLooked((before) => ({ ...before, waiting, trouble: "" }));
      }
    };

    const ask = () =>
      wireRows(asked, known.fresh ? 0 : known.since, paused !== null && known.fresh ? paused + 1 : null)
        .then(
          (found) => {
            if (!wanted) return;
            if (paused === null) goOn(found);
            else standStill(found, paused);
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
  }, [key, paused]);

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
