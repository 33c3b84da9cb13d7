import { useCallback, useEffect, useState } from "react";
import type { Problem, ProofLeftover } from "../api/types";
import { dismissLeftover, leftover, putBack } from "../requests/proof";
import { PushButton } from "../ui/buttons";
import { dayAndTime } from "../ui/time";
import { plural } from "./verdicts";

const SENDING_MS = 300;
const IDLE_MS = 2000;

/** What a proof that ended in the middle moved and did not put back: offered, never sent by itself. */
export function Leftover() {
  const [left, setLeft] = useState<ProofLeftover | null>(null);
  const [trouble, setTrouble] = useState("");
  const look = useCallback(() => leftover().then(setLeft, () => undefined), []);
  const sending = left?.done != null;
  useEffect(() => {
    void look();
    // another device may put it back, and a proof that ends may leave some
    const timer = setInterval(() => void look(), sending ? SENDING_MS : IDLE_MS);
    return () => clearInterval(timer);
  }, [look, sending]);
  if (!left) return null;
  const done = (doing: Promise<Problem[]>) =>
    void doing.then((problems) => setTrouble(problems[0]?.message ?? "")).finally(() => void look());
  return (
    <section aria-label="Left by a proof" className="mb-4 rounded-lg border-2 border-caution px-4 py-3">
      <h2 className="text-lg font-bold text-caution">
        A proof left {plural(left.messages.length, "value")}: not put back, or nobody confirmed that{" "}
        {left.messages.length === 1 ? "it is" : "they are"}
      </h2>
      <p className="text-quiet">
        What stood there before, {dayAndTime(new Date(left.at).toISOString())}. Nothing is sent until you say
        so.
      </p>
      <details className="my-1">
        <summary className="cursor-pointer">What would be sent</summary>
        <ul className="max-h-48 overflow-auto font-mono text-sm">
          {left.messages.map((message) => (
            <li key={message}>{message}</li>
          ))}
        </ul>
      </details>
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {left.done !== null ? (
        <p role="status" className="mt-2 text-lg font-bold">
          Putting back: {left.done} of {left.messages.length} confirmed
        </p>
      ) : (
        <div className="mt-2 flex gap-2">
          <PushButton strong onClick={() => done(putBack())}>
            Put it back
          </PushButton>
          <PushButton onClick={() => done(dismissLeftover())}>Leave it as it is</PushButton>
        </div>
      )}
    </section>
  );
}
