import type { Control, Held, Listen, Send, Trace } from "../../api/types";
import { type HeldOf, partOf, partsOf, useShow } from "../../live/show";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { putControl, putListen } from "./put";

interface Props {
  held: HeldOf<Control>;
  send: Send | undefined;
  trace: Trace | undefined;
}

/** What came back, and where the control listens for it. */
export function AnswerCell({ held, send, trace }: Props) {
  const parts = useShow((s) => s.parts);
  const listen = held.part.body.listens[0];
  const put = putListen(held, 0);
  const setListens = (listens: Listen[]) => void report(putControl(held)("listens", () => ({ listens })));

  return (
    <div className="flex flex-col gap-2">
      {trace?.answer && (
        <p className={`font-mono text-sm ${trace.answer.agrees ? "text-in" : "text-fault"}`}>
          {trace.answer.address} {trace.answer.arguments}
          <br />
          after {(trace.answer.afterNanos / 1e6).toFixed(1)} ms, {trace.answer.agrees ? "agrees" : "differs"}
        </p>
      )}
      {listen ? (
        <>
          <EditField
            label={`Listens to ${partOf(parts, "target", listen.target)?.part.body.name ?? "nobody"} on`}
            mono
            value={listen.address}
            onCommit={(address) => put("address", () => ({ address }))}
          />
          <div className="grid grid-cols-3 gap-2">
            <NumberField
              label="Argument"
              whole
              value={listen.argument + 1}
              onCommit={(n) => put("argument", () => ({ argument: n - 1 }))}
            />
            <NumberField label="At 0" value={listen.low} onCommit={(low) => put("low", () => ({ low }))} />
            <NumberField
              label="At 1"
              value={listen.high}
              onCommit={(high) => put("high", () => ({ high }))}
            />
          </div>
          <button className="self-start text-sm text-quiet underline" onClick={() => setListens([])}>
            Stop listening
          </button>
        </>
      ) : (
        <>
          <p className="text-sm text-quiet">It listens to nothing, so no answer can be compared.</p>
          <PushButton onClick={() => setListens([send ? sameAs(send) : firstListen(parts)])}>
            {send ? "Listen on the same address" : "Listen"}
          </PushButton>
        </>
      )}
    </div>
  );
}

/** A listen to start from, where there is no send to take it from. */
function firstListen(parts: ReadonlyMap<string, Held>): Listen {
  return {
    target: partsOf(parts, "target")[0]?.part.id ?? null,
    address: "/address",
    argument: 0,
    low: 0,
    high: 1,
  };
}

/** A listen for the answer that most targets give: the same address, the same argument, the same scale. */
function sameAs(send: Send): Listen {
  const argument = Math.max(
    0,
    send.arguments.findIndex((a) => a.from === "value"),
  );
  const source = send.arguments[argument];
  const scale = source?.from === "value" && source.low !== source.high ? source : { low: 0, high: 1 };
  return { target: send.target, address: send.address, argument, low: scale.low, high: scale.high };
}
