import { Spline } from "lucide-react";
import type { Control, Send, Trace } from "../../api/types";
import { plainScale, withEnd } from "../../controls/scale";
import type { HeldOf } from "../../live/show";
import { PushButton } from "../../ui/buttons";
import { NumberField } from "../../ui/fields";
import { STEPS } from "../shaping/steps";
import { changed } from "./arguments";
import { putSend } from "./put";

interface Props {
  held: HeldOf<Control>;
  send: Send | undefined;
  index: number;
  trace: Trace | undefined;
  /** Opens the steps of an argument. */
  open: (argument: number) => void;
}

/** What happens between the finger and the arguments: the range of each that carries the value, or its steps with the number after each. */
export function ShapingCell({ held, send, index, trace, open }: Props) {
  if (!send) return <p className="text-quiet">No send, nothing to shape.</p>;
  const put = putSend(held, index);
  return (
    <div className="flex flex-col gap-1.5">
      {send.arguments.map((source, i) => {
        if (!("shaping" in source) || source.type === "COLOUR") return null;
        const set = (end: { low: number } | { high: number }) =>
          put(`arguments/${i}`, (before) => ({
            arguments: changed(before.arguments, i, (now) =>
              "shaping" in now ? { ...now, shaping: withEnd(now.shaping, end) } : now,
            ),
          }));
        const straight = source.from === "value" ? plainScale(source.shaping) : null;
        const stages = trace?.shaping.find((each) => each.send === index && each.argument === i)?.after;
        return (
          <div key={i} className="flex flex-col gap-1.5">
            {send.arguments.length > 1 && <p className="text-sm text-quiet">Argument {i + 1}</p>}
            {straight ? (
              <>
                <NumberField label="At 0" value={straight.low} onCommit={(low) => set({ low })} />
                <NumberField label="At 1" value={straight.high} onCommit={(high) => set({ high })} />
              </>
            ) : (
              <ol aria-label="Steps" className="text-sm">
                {source.shaping.map((step, k) => (
                  <li key={k} className="flex flex-wrap justify-between gap-x-1 border-b border-rule">
                    <span>{STEPS[step.step].name}</span>
                    <span className="font-mono text-out">{stages?.[k]?.text}</span>
                  </li>
                ))}
              </ol>
            )}
            <PushButton className="px-2! py-0! text-sm" onClick={() => open(i)}>
              <Spline size={16} className="max-xl:hidden" aria-hidden /> Steps
            </PushButton>
          </div>
        );
      })}
      {!send.arguments.some((a) => "shaping" in a) && (
        <p className="text-sm text-quiet">No argument carries the value of this control.</p>
      )}
    </div>
  );
}
