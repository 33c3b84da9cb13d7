import { X } from "lucide-react";
import { useEffect } from "react";
import { useLocation } from "react-router";
import { create } from "zustand";
import type { Problem } from "../api/types";

/** What could not be done and has no field to say it beside. */
const useNotices = create<{ problems: Problem[]; done: string }>()(() => ({ problems: [], done: "" }));

const DONE_MS = 4000;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Says for a moment what was done, where one may not see it from here. */
export function told(done: string): void {
  clearTimeout(timer);
  useNotices.setState({ done });
  timer = setTimeout(() => useNotices.setState({ done: "" }), DONE_MS);
}

/** Shows the problems of an edit, if there are any. */
export async function report(problems: Promise<Problem[]>): Promise<Problem[]> {
  const found = await problems;
  // what was refused before is of no more interest once something else is done
  useNotices.setState({ problems: found });
  return found;
}

/** Says something that happened to whoever looks on; it goes with the place where it was said. */
export function notify(message: string): void {
  useNotices.setState({ problems: [{ part: null, field: "", message, mend: null }] });
}

export function Notices() {
  const problems = useNotices((s) => s.problems);
  const { pathname } = useLocation();
  useEffect(() => () => useNotices.setState({ problems: [] }), [pathname]);
  const done = useNotices((s) => s.done);
  if (problems.length === 0)
    return done ? (
      <p
        role="status"
        className="fixed right-4 bottom-14 z-50 max-w-md rounded border-2 border-rule bg-raised p-3 font-bold shadow-lg"
      >
        {done}
      </p>
    ) : null;
  return (
    <div
      role="alert"
      className="fixed right-4 bottom-14 z-50 max-w-md rounded border-2 border-fault bg-raised p-3 shadow-lg"
    >
      <button
        className="float-right ml-3 p-1"
        aria-label="Dismiss"
        onClick={() => useNotices.setState({ problems: [] })}
      >
        <X size={18} aria-hidden />
      </button>
      {problems.slice(0, 5).map((problem, i) => (
        <p key={i}>{problem.message}</p>
      ))}
      {problems.length > 5 && <p className="text-quiet">and {problems.length - 5} more</p>}
    </div>
  );
}
