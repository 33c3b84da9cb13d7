import { Pause, Play, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import uPlot from "uplot";
import "uplot/dist/uPlot.min.css";
import type { PlotLine, Plotted } from "../api/types";
import { partOf, useShow } from "../live/show";
import { useAgain } from "../requests/useAgain";
import { wirePlot } from "../requests/wire";
import { PushButton } from "../ui/buttons";
import { Select } from "../ui/Select";
import { clockTime } from "../ui/time";
import { MOST_CURVES, POSITION, samePlot, togglePlot, usePlots } from "./plots";
import { together } from "./together";

const AGAIN_MS = 200;
const HEIGHT = 420;

/** Told apart by their dashes as well as by their colour, which says the direction. */
const DASHES = [[], [10, 5], [3, 4], [14, 4, 3, 4]];

const look = (asked: string) => {
  const { lines, seconds } = JSON.parse(asked) as { lines: PlotLine[]; seconds: number };
  return wirePlot(lines, seconds);
};

const keyOf = (line: PlotLine) => `${line.out} ${line.source} ${line.address} ${line.argument}`;
const nthOfItsWay = (lines: PlotLine[], i: number) =>
  lines.slice(0, i).filter((line) => line.out === lines[i]!.out).length;

/** Up to eight numbers as they went, out and in. */
export function PlotView() {
  const { lines } = usePlots();
  const [seconds, setSeconds] = useState("30");
  const [ownScales, setOwnScales] = useState(false);
  const [held, setHeld] = useState(false);
  const asked = JSON.stringify({ lines, seconds: Number(seconds) });
  const { found: plotted, trouble } = useAgain(held || lines.length === 0 ? null : asked, look, AGAIN_MS);

  if (lines.length === 0)
    return (
      <p className="p-6 text-lg text-quiet">
        Nothing is plotted yet. Press <b>Plot</b> beside an address under <b>By address</b>, or in a message:
        up to {MOST_CURVES} numbers are drawn over time, what was sent beside what came back.
      </p>
    );
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <Select
          label="Time shown"
          className="w-28"
          value={seconds}
          onChange={setSeconds}
          options={[
            { value: "10", text: "10 s" },
            { value: "30", text: "30 s" },
            { value: "120", text: "2 min" },
            { value: "600", text: "10 min" },
          ]}
        />
        <label className="flex items-center gap-2 py-1">
          <input type="checkbox" checked={ownScales} onChange={(e) => setOwnScales(e.target.checked)} />
          Each on its own scale
        </label>
        <PushButton className="ml-auto" aria-pressed={held} onClick={() => setHeld(!held)}>
          {held ? <Play size={16} aria-hidden /> : <Pause size={16} aria-hidden />}
          {held ? "Resume" : "Pause"}
        </PushButton>
      </div>
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {plotted && plotted.lines.length === lines.length && (
        <Chart plotted={plotted} lines={lines} seconds={Number(seconds)} ownScales={ownScales} />
      )}
      <ul className="mt-3 flex flex-col gap-1" aria-label="Plotted numbers">
        {lines.map((line, i) => (
          <Curve
            key={keyOf(line)}
            line={line}
            dash={DASHES[nthOfItsWay(lines, i) % DASHES.length]!}
            plotted={plotted?.lines[i] ?? []}
          />
        ))}
      </ul>
    </>
  );
}

const short = (value: number) => Number(value.toPrecision(5)).toString();

/** A number that is drawn, with its last value and its range in the time shown. */
function Curve({
  line,
  dash,
  plotted,
}: {
  line: PlotLine;
  dash: number[];
  plotted: Plotted["lines"][number];
}) {
  const target = useShow((s) => partOf(s.parts, "target", line.source)?.part.body.name) ?? line.source;
  const values = plotted.map((point) => point.value);
  const position = { ...line, argument: POSITION };
  const before = usePlots((s) => s.lines.some((other) => samePlot(other, position)));
  const colour = line.out ? "text-out" : "text-in";
  return (
    <li className="flex flex-wrap items-center gap-3 font-mono" data-plotted={line.address}>
      <svg width={44} height={10} className={colour} aria-hidden>
        <line
          x1={0}
          y1={5}
          x2={44}
          y2={5}
          stroke="currentColor"
          strokeWidth={3}
          strokeDasharray={dash.join(" ")}
        />
      </svg>
      <span className={`font-sans font-bold ${colour}`}>{line.out ? "out" : "in"}</span>
      <span className="font-sans">{target}</span>
      <span className="[overflow-wrap:anywhere]">{line.address}</span>
      {line.argument === POSITION && (
        <span className="font-sans">where the control stood, before its range</span>
      )}
      <span className="font-sans text-quiet">
        {values.length === 0
          ? "nothing in this time"
          : `now ${short(values.at(-1)!)}, from ${short(Math.min(...values))} to ${short(Math.max(...values))}`}
      </span>
      {line.out && line.argument !== POSITION && !before && (
        <button
          type="button"
          className="px-1 font-sans underline"
          aria-label={`Plot the control's position before ${line.address}`}
          onClick={() => togglePlot(position)}
        >
          + position
        </button>
      )}
      <button
        type="button"
        className="p-1 text-quiet hover:text-bone"
        aria-label={`Remove ${line.argument === POSITION ? "the position before " : ""}${line.address}`}
        onClick={() => togglePlot(line)}
      >
        <X size={18} aria-hidden />
      </button>
    </li>
  );
}

interface ChartProps {
  plotted: Plotted;
  lines: PlotLine[];
  seconds: number;
  ownScales: boolean;
}

function Chart({ plotted, lines, seconds, ownScales }: ChartProps) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<uPlot | null>(null);
  const shape = JSON.stringify([lines, ownScales]);
  useEffect(() => {
    const at = box.current!;
    const [drawn, own] = JSON.parse(shape) as [PlotLine[], boolean];
    const style = getComputedStyle(at);
    const colour = (name: string) => style.getPropertyValue(`--color-${name}`);
    const axis = {
      stroke: colour("quiet"),
      grid: { stroke: colour("rule"), width: 1 },
      ticks: { show: false },
    };
    const made = new uPlot(
      {
        width: at.clientWidth,
        height: HEIGHT,
        legend: { show: false },
        cursor: { drag: { x: false, y: false } },
        series: [
          {},
          ...drawn.map((line, i) => ({
            label: line.address,
            stroke: colour(line.out ? "out" : "in"),
            width: 2,
            dash: DASHES[nthOfItsWay(drawn, i) % DASHES.length]!,
            scale: own ? `y${i}` : "y",
            // a value stands until the next one comes
            paths: uPlot.paths.stepped!({ align: 1 }),
            points: { show: false },
            spanGaps: true,
          })),
        ],
        axes: [
          {
            ...axis,
            values: (_, ticks) => ticks.map((tick) => clockTime(tick * 1000).slice(0, 8)),
            space: 90,
          },
          ...(own ? [] : [{ ...axis, scale: "y", size: 70 }]),
        ],
      },
      drawn.reduce<uPlot.AlignedData>((data) => [...data, []] as unknown as uPlot.AlignedData, [[]]),
      at,
    );
    chart.current = made;
    const resize = new ResizeObserver(() => made.setSize({ width: at.clientWidth, height: HEIGHT }));
    resize.observe(at);
    return () => {
      resize.disconnect();
      made.destroy();
      chart.current = null;
    };
  }, [shape]);
  useEffect(() => {
    chart.current?.setData(together(plotted), false);
    chart.current?.setScale("x", { min: plotted.nowMillis / 1000 - seconds, max: plotted.nowMillis / 1000 });
  }, [plotted, seconds, shape]);
  return (
    <div ref={box} className="min-w-0 rounded border border-rule" role="img" aria-label="Values over time" />
  );
}
