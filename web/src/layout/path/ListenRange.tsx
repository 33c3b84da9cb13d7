import { Spline } from "lucide-react";
import type { Control, Listen, ShapingStep } from "../../api/types";
import { plain, plainScale } from "../../controls/scale";
import { useSketch } from "../../requests/shaping";
import { PushButton } from "../../ui/buttons";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { STEPS } from "../shaping/steps";
import { briefly } from "./arguments";
import type { Put } from "./put";

interface Props {
  control: Control;
  listen: Listen;
  put: Put<Listen>;
  /** Opens the steps of this listen. */
  open: () => void;
}

/** How what is heard becomes a position: the way back of what is sent, or a range of its own. */
export function ListenRange({ control, listen, put, open }: Props) {
  const sent = sentShaping(control, listen);
  const sketch = useSketch(
    listen.shaping === null && sent ? { shaping: sent, type: "FLOAT32", position: 0, marks: [] } : null,
  );
  const stuck = sketch?.steps.findIndex((step) => step.noWayBack) ?? -1;
  const straight = listen.shaping && plainScale(listen.shaping);
  return (
    <>
      <Select<"sent" | "own">
        className="col-span-2"
        label="Range"
        value={listen.shaping === null ? "sent" : "own"}
        onChange={(which) =>
          void report(put("shaping", () => ({ shaping: which === "sent" ? null : ownFrom(sent, stuck) })))
        }
        options={[
          { value: "sent", text: sent ? `as sent, ${briefly(sent)}` : "as sent, 0 … 1" },
          { value: "own", text: "its own" },
        ]}
      />
      {sent && stuck >= 0 && sketch && (
        <p className="col-span-3 text-sm text-caution">
          What is heard cannot go back through step {stuck + 1}, {STEPS[sent[stuck]!.step].name.toLowerCase()}
          : {sketch.steps[stuck]!.noWayBack}. Give it a range of its own.
        </p>
      )}
      {straight && (
        <>
          <NumberField
            label="At 0"
            value={straight.low}
            onCommit={(low) => put("shaping/0", () => ({ shaping: [plain(low, straight.high)] }))}
          />
          <NumberField
            label="At 1"
            value={straight.high}
            onCommit={(high) => put("shaping/0", () => ({ shaping: [plain(straight.low, high)] }))}
          />
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

/** The steps by which the control sends the same axis; null where it does not. */
function sentShaping(control: Control, listen: Listen): ShapingStep[] | null {
  const same = (send: Control["sends"][number]) =>
    send.target === listen.target && send.address === listen.address;
  const sends = [...control.sends.filter(same), ...control.sends];
  for (const send of sends)
    for (const source of send.arguments)
      if (source.from === "value" && source.axis === listen.axis) return source.shaping;
  return null;
}

/** A range of its own to begin with: as it is sent, or plain where that has no way back. */
const ownFrom = (sent: ShapingStep[] | null, stuck: number): ShapingStep[] =>
  sent && stuck < 0 ? sent : [plain(0, 1)];
