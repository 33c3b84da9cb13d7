import { ArrowLeft } from "lucide-react";
import { type ReactNode, useState, useSyncExternalStore } from "react";
import type { Control, Problem, ShapingStep, Trace } from "../../api/types";
import { touch } from "../../controls/hand";
import { positionOf } from "../../controls/useValue";
import type { HeldOf } from "../../live/show";
import { values } from "../../live/values";
import { useSketch } from "../../requests/shaping";
import { PushButton } from "../../ui/buttons";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { moved } from "../path/arguments";
import { StepCard } from "./StepCard";
import { nth, placeOf, STEPS, type StepKind } from "./steps";

/** Whose steps are looked at. */
export interface Shaped {
  title: string;
  axis: number;
  shaping: ShapingStep[];
  type: "FLOAT32" | "INT32" | "FLOAT64" | "INT64" | "TEXT" | "BOOLEAN" | "COLOUR";
  /** What came out of each step of a touch; undefined where nobody touched it, and for what is heard. */
  stages: Trace["shaping"][number]["after"] | undefined;
  put: (update: (before: ShapingStep[]) => ShapingStep[]) => Promise<Problem[]>;
  /** What is wrong with the line that it belongs to, with its mends. */
  findings: ReactNode;
  /** What is found that arises at a step, from 0. */
  marked: (step: number) => string | undefined;
}

interface Props {
  held: HeldOf<Control>;
  shaped: Shaped;
  onClose: () => void;
}

/** From the control to the argument, step by step, from left to right: each with its curve, its settings and the number after it. */
export function ShapingRow({ held, shaped, onClose }: Props) {
  const { id } = held.part;
  const { shaping, put, type } = shaped;
  const value = useSyncExternalStore(
    (listener) => values.subscribe(id, listener),
    () => values.get(id),
  );
  const [dialled, setDialled] = useState<number | null>(null);
  const live = value ? positionOf(value, shaped.axis) : 0;
  const position = dialled ?? live;
  const sketch = useSketch({ shaping, type, position, marks: [] });
  const stage = (index: number) => {
    if (dialled === null && shaped.stages?.[index]) return shaped.stages[index];
    const step = sketch?.steps[index];
    return step && { text: step.after, number: step.at };
  };
  const last = sketch?.steps.at(-1);
  const add = (kind: StepKind) => {
    const range: [number, number] = last && !last.texts ? [last.outLow, last.outHigh] : [0, 1];
    void report(put((before) => [...before, STEPS[kind].fresh(...range)]));
  };

  /** From what it is when the edit's turn comes, wherever it stands then. */
  const changeStep = async (kind: StepKind, which: number, change: object): Promise<Problem[]> => {
    let found = false;
    const problems = await put((before) => {
      const place = placeOf(before, kind, which);
      found = place >= 0;
      return before.map((each, i) => (i === place ? ({ ...each, ...change } as ShapingStep) : each));
    });
    return found || problems.length ? problems : [GONE];
  };

  return (
    <section aria-label="Shaping" className="flex h-full items-stretch overflow-x-auto">
      <div className="sticky left-0 z-10 flex w-44 flex-none flex-col gap-1.5 overflow-y-auto border-r border-rule bg-panel p-2">
        <PushButton className="self-start px-2! py-0!" onClick={onClose}>
          <ArrowLeft size={16} aria-hidden /> Path
        </PushButton>
        <h3 className="font-bold leading-tight [overflow-wrap:anywhere]">{shaped.title}</h3>
        <Dial
          id={id}
          axes={value?.axes.length ?? 1}
          position={position}
          dialled={dialled}
          dial={setDialled}
        />
      </div>
      {shaping.map((step, index) => (
        <StepCard
          key={`${step.step} ${nth(shaping, index)}`}
          index={index}
          step={step}
          sketch={sketch?.steps[index]}
          comesIn={index === 0 ? position : (stage(index - 1)?.number ?? null)}
          out={stage(index)}
          marked={shaped.marked(index)}
          put={(change) => changeStep(step.step, nth(shaping, index), change)}
          remove={() => void report(put((before) => before.filter((_, i) => i !== index)))}
          move={{
            left: index > 0 ? () => void report(put((before) => moved(before, index, index - 1))) : undefined,
            right:
              index < shaping.length - 1
                ? () => void report(put((before) => moved(before, index, index + 1)))
                : undefined,
          }}
        />
      ))}
      <div className="flex w-48 flex-none flex-col gap-2 p-2">
        <Select<StepKind | "none">
          label="Add a step"
          value="none"
          onChange={(kind) => kind !== "none" && add(kind)}
          options={[
            { value: "none", text: "Choose…" },
            ...(Object.keys(STEPS) as StepKind[])
              .filter((kind) => kind !== "cut")
              .map((kind) => ({
                value: kind,
                text: `${STEPS[kind].name}: ${STEPS[kind].does}`,
              })),
          ]}
        />
        {last && last.problem === null && (
          <p className="text-sm text-quiet">
            Arrives as{" "}
            <span className="font-mono text-bone">
              {last.texts ? "texts" : `${short(last.outLow)} … ${short(last.outHigh)}`}
            </span>
          </p>
        )}
        {shaped.findings}
        {shaping.length === 0 && (
          <p className="text-sm text-quiet">
            The position goes out as it is, 0 … 1. Add a scale to give it another range.
          </p>
        )}
      </div>
    </section>
  );
}

const GONE: Problem = {
  part: null,
  field: "",
  message: "Somebody has taken this step away meanwhile",
  mend: null,
};

const short = (value: number) => String(Number(value.toPrecision(6)));

interface DialProps {
  id: string;
  axes: number;
  position: number;
  dialled: number | null;
  dial: (to: number | null) => void;
}

/** A position to look at without touching the page. It leaves only while Send is pressed. */
function Dial({ id, axes, position, dialled, dial }: DialProps) {
  const [sending, setSending] = useState(false);
  const send = (to: number) => touch(id, "dial", "SET", { y: to });
  return (
    <>
      <label className="text-sm text-quiet">
        Position{" "}
        <span className="font-mono text-bone" aria-label="Position now">
          {position.toFixed(3)}
        </span>
        <input
          type="range"
          className="block w-full"
          min={0}
          max={1}
          step={0.001}
          value={position}
          onChange={(e) => {
            const to = Number(e.target.value);
            dial(to);
            if (sending) send(to);
          }}
        />
      </label>
      <div className="flex gap-1">
        {axes === 1 && (
          <PushButton
            className="flex-1 px-1! py-0.5! text-sm"
            aria-pressed={sending}
            strong={sending}
            title="While it is on, what is dialled here is sent"
            onClick={() => {
              if (!sending) send(position);
              setSending(!sending);
            }}
          >
            {sending ? "Sending" : "Send"}
          </PushButton>
        )}
        <PushButton
          className="flex-1 px-1! py-0.5! text-sm"
          disabled={dialled === null}
          onClick={() => {
            dial(null);
            setSending(false);
          }}
        >
          Follow
        </PushButton>
      </div>
      <p className="text-sm leading-tight text-quiet">
        {dialled === null ? "Follows the control." : sending ? "What you dial is sent." : "Nothing is sent."}
      </p>
    </>
  );
}
