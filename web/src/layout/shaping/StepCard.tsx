import { ArrowLeft, ArrowRight, Trash2 } from "lucide-react";
import type { Problem, ShapingStep, Sketch } from "../../api/types";
import { PushButton } from "../../ui/buttons";
import { report } from "../../ui/notices";
import { Curve } from "./Curve";
import { StepFields } from "./StepFields";
import { STEPS } from "./steps";

interface Props {
  index: number;
  step: ShapingStep;
  /** How it is drawn; undefined where a step before it does not work. */
  sketch: Sketch["steps"][number] | undefined;
  /** What comes in now; null where nothing is known of it. */
  comesIn: number | null;
  /** What comes out of it now. */
  out: { text: string; number: number | null } | undefined;
  /** What is found that arises here. */
  marked: string | undefined;
  /** Changes some of it, from what it is when the edit's turn comes. */
  put: (change: object) => Promise<Problem[]>;
  remove: () => void;
  /** Puts it one place to the left or to the right; left out where there is none. */
  move: { left?: () => void; right?: () => void };
}

/** One step: its settings, its curve with the point where it is now, and the number after it. */
export function StepCard({ index, step, sketch, comesIn, out, marked, put, remove, move }: Props) {
  const { name } = STEPS[step.step];
  const at = comesIn !== null && out?.number != null ? { in: comesIn, out: out.number } : null;
  return (
    <div
      role="group"
      aria-label={`Step ${index + 1}: ${name}`}
      className="flex w-44 flex-none flex-col gap-1 overflow-y-auto border-r border-rule p-2"
    >
      <div className="flex items-center">
        <h4 className="min-w-0 flex-1 font-bold">{name}</h4>
        <IconButton label={`Move ${name} left`} act={move.left}>
          <ArrowLeft size={15} aria-hidden />
        </IconButton>
        <IconButton label={`Move ${name} right`} act={move.right}>
          <ArrowRight size={15} aria-hidden />
        </IconButton>
        <IconButton label={`Remove ${name}`} act={remove}>
          <Trash2 size={15} aria-hidden />
        </IconButton>
      </div>
      {sketch && sketch.problem === null && <Curve step={sketch} at={at} />}
      {sketch?.problem && (
        <p role="status" className="rounded border border-fault px-1 text-sm text-fault">
          {sketch.problem}
        </p>
      )}
      {marked && (
        <p data-marked className="rounded border border-caution px-1 text-sm text-caution">
          {marked}
        </p>
      )}
      <p className="font-mono text-out" aria-label="After it">
        {out?.text || "–"}
      </p>
      <StepFields step={step} put={put} />
      {step.step === "scale" && comesIn !== null && (
        <div className="flex items-center gap-1 text-sm" role="group" aria-label="What comes in now is the">
          <PushButton
            className="flex-1 px-0.5! py-0! text-[13px] whitespace-nowrap"
            onClick={() => void report(put({ fromLow: rounded(comesIn) }))}
          >
            lowest now
          </PushButton>
          <PushButton
            className="flex-1 px-0.5! py-0! text-[13px] whitespace-nowrap"
            onClick={() => void report(put({ fromHigh: rounded(comesIn) }))}
          >
            highest now
          </PushButton>
        </div>
      )}
      {sketch?.noWayBack && (
        <p className="text-sm text-caution">What is heard cannot go back through it: {sketch.noWayBack}.</p>
      )}
    </div>
  );
}

/** A number that somebody may read. */
const rounded = (value: number) => Number(value.toPrecision(4));

function IconButton({
  label,
  act,
  children,
}: {
  label: string;
  act?: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      aria-label={label}
      title={label}
      className="p-0.5 text-quiet disabled:opacity-30"
      disabled={!act}
      onClick={act}
    >
      {children}
    </button>
  );
}
