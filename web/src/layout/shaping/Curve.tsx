import type { Sketch } from "../../api/types";

const WIDTH = 158;
const HEIGHT = 60;
const EDGE = 5;

interface Props {
  step: Sketch["steps"][number];
  /** What comes in and what comes out now; null where nothing does. */
  at: { in: number; out: number } | null;
}

/** What a step makes of what comes in, from left to right, or of a jump as time goes by, with the point where it is now. */
export function Curve({ step, at }: Props) {
  const { across, up } = step;
  if (across.length < 2) return <div style={{ width: WIDTH, height: HEIGHT }} aria-hidden />;
  const x = line(Math.min(...across), Math.max(...across), EDGE, WIDTH - EDGE);
  const y = line(step.outLow, step.outHigh, HEIGHT - EDGE, EDGE);
  const path = across
    .map((value, i) => `${i ? "L" : "M"}${x(value).toFixed(1)} ${y(up[i]!).toFixed(1)}`)
    .join("");
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block flex-none rounded bg-ground"
      role="img"
      aria-label={step.overTime ? "What becomes of a jump in time" : "What comes out for what comes in"}
    >
      <path d={path} fill="none" stroke="var(--color-bone)" strokeWidth={2} />
      {at && !step.overTime && (
        <circle data-point cx={x(at.in)} cy={y(at.out)} r={4.5} fill="var(--color-out)" />
      )}
      {at && step.overTime && (
        <circle data-point cx={WIDTH - EDGE} cy={y(at.out)} r={4.5} fill="var(--color-out)" />
      )}
    </svg>
  );
}

/** From one range of numbers to another; what is level lies in the middle. */
function line(low: number, high: number, from: number, to: number) {
  return (value: number) => {
    const share = high === low ? 0.5 : (value - low) / (high - low);
    return from + Math.max(0, Math.min(1, share)) * (to - from);
  };
}
