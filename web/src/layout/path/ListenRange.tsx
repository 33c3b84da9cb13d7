import { Spline } from "lucide-react";
import type { Listen, TableLine } from "../../api/types";
import { plain, plainScale, withEnd } from "../../controls/scale";
import { PushButton } from "../../ui/buttons";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { briefly } from "./arguments";
import type { Put } from "./put";

interface Props {
  listen: Listen;
  /** The listen as a line, with the numbers that it stands for. */
  line: TableLine | undefined;
  put: Put<Listen>;
  /** Opens the steps of this listen. */
  open: () => void;
}

/** How what is heard becomes a position: the way back of what is sent, or a range of its own. */
export function ListenRange({ listen, line, put, open }: Props) {
  const straight = listen.shaping && plainScale(listen.shaping);
  const [low, high] = [line?.low ?? 0, line?.high ?? 1];
  const set = (end: { low: number } | { high: number }) =>
    put("shaping/0", (before) => ({ shaping: before.shaping && withEnd(before.shaping, end) }));
  return (
    <>
      <Select<"sent" | "own">
        className="col-span-2"
        label="Range"
        value={listen.shaping === null ? "sent" : "own"}
        onChange={(which) =>
          void report(put("shaping", () => ({ shaping: which === "sent" ? null : [plain(low, high)] })))
        }
        options={[
          { value: "sent", text: listen.shaping === null ? `as sent, ${low} … ${high}` : "as sent" },
          { value: "own", text: "its own" },
        ]}
      />
      {straight && (
        <>
          <NumberField label="At 0" value={straight.low} onCommit={(at) => set({ low: at })} />
          <NumberField label="At 1" value={straight.high} onCommit={(at) => set({ high: at })} />
        </>
      )}
      {listen.shaping && (
        <PushButton className="self-end px-2! py-1! text-sm" onClick={open}>
          <Spline size={16} aria-hidden /> {straight ? "Steps" : briefly(listen.shaping)}
        </PushButton>
      )}
    </>
  );
}
