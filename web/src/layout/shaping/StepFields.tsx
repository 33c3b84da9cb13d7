import type { Problem, ShapingStep } from "../../api/types";
import { EditField } from "../../ui/EditField";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { readPairs, STEPS } from "./steps";

interface Props {
  step: ShapingStep;
  /** Changes some of it, from what it is when the edit's turn comes. */
  put: (change: object) => Promise<Problem[]>;
}

const wrong = (message: string): Promise<Problem[]> =>
  Promise.resolve([{ part: null, field: "", message, mend: null }]);

/** The settings of one step. */
export function StepFields({ step, put }: Props) {
  const numbers = Object.entries(STEPS[step.step].numbers);
  switch (step.step) {
    case "breakpoints":
      return (
        <>
          <EditField
            label="Points: in, out"
            mono
            long
            value={step.points.map((point) => `${point.in} ${point.out}`).join("; ")}
            onCommit={(text) => {
              const pairs = readPairs(text, /[\s,]+/)?.map(([from, to]) => ({
                in: Number(from),
                out: Number(to),
              }));
              return pairs?.every((pair) => Number.isFinite(pair.in) && Number.isFinite(pair.out))
                ? put({ points: pairs })
                : wrong("Each point is two numbers, such as 0 -90; 0.25 -30; 1 10");
            }}
          />
          <EditField
            label="The lowest is called"
            value={step.lowest}
            onCommit={(lowest) => put({ lowest })}
          />
        </>
      );
    case "table":
      return (
        <>
          <EditField
            label="In = out"
            mono
            long
            value={step.entries.map((entry) => `${entry.in} = ${entry.out}`).join("; ")}
            onCommit={(text) => {
              const pairs = readPairs(text, /=/);
              return pairs
                ? put({ entries: pairs.map(([from, to]) => ({ in: from, out: to })) })
                : wrong("Each entry is what comes in and what becomes of it, such as 0 = 4; 1 = 1");
            }}
          />
          <EditField
            label="Everything else"
            mono
            value={step.otherwise ?? ""}
            onCommit={(text) => put({ otherwise: text.trim() === "" ? null : text.trim() })}
          />
        </>
      );
    case "edge":
      return (
        <Select
          label="When it"
          value={step.way}
          onChange={(way) => void report(put({ way }))}
          options={[
            { value: "RISING", text: "rises" },
            { value: "FALLING", text: "falls" },
            { value: "BOTH", text: "does either" },
          ]}
        />
      );
    case "decibels":
      return (
        <Select
          label="From"
          value={step.toFactor ? "decibels" : "factor"}
          onChange={(from) => void report(put({ toFactor: from === "decibels" }))}
          options={[
            { value: "factor", text: "a factor to dB" },
            { value: "decibels", text: "dB to a factor" },
          ]}
        />
      );
    default:
      return (
        <div className={`grid gap-1 ${numbers.length > 1 ? "grid-cols-2" : ""}`}>
          {numbers.map(([field, label]) => (
            <NumberField
              key={field}
              label={label}
              whole={field === "milliseconds"}
              value={(step as unknown as Record<string, number>)[field]!}
              onCommit={(value) => put({ [field]: value })}
            />
          ))}
        </div>
      );
  }
}
