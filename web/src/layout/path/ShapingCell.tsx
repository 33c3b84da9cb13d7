import type { Control, Send } from "../../api/types";
import type { HeldOf } from "../../live/show";
import { NumberField } from "../../ui/fields";
import { changed, type ValueSource } from "./arguments";
import { putSend } from "./put";

/** What happens between the finger and the arguments: the scale of each argument that carries the value. */
export function ShapingCell({
  held,
  send,
  index,
}: {
  held: HeldOf<Control>;
  send: Send | undefined;
  index: number;
}) {
  if (!send) return <p className="text-quiet">No send, nothing to shape.</p>;
  const put = putSend(held, index);
  return (
    <div className="flex flex-col gap-1.5">
      {send.arguments.map((source, i) => {
        if (source.from !== "value" || source.type === "COLOUR") return null;
        const set = (change: Partial<ValueSource>) =>
          put(`arguments/${i}`, (before) => ({
            arguments: changed(before.arguments, i, (now) =>
              now.from === "value" ? { ...now, ...change } : now,
            ),
          }));
        return (
          <div key={i} className="flex flex-col gap-1.5">
            {send.arguments.length > 1 && <p className="text-sm text-quiet">Argument {i + 1}</p>}
            <NumberField label="At 0" value={source.low} onCommit={(low) => set({ low })} />
            <NumberField label="At 1" value={source.high} onCommit={(high) => set({ high })} />
          </div>
        );
      })}
      {!send.arguments.some((a) => a.from === "value") && (
        <p className="text-sm text-quiet">No argument carries the value of this control.</p>
      )}
    </div>
  );
}
