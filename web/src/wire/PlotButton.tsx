import { ChartSpline } from "lucide-react";
import { PushButton } from "../ui/buttons";
import { samePlot, togglePlot, usePlots } from "./plots";

interface Props {
  out: boolean;
  source: string;
  address: string;
  /** In a row there is room for a picture only. */
  small?: boolean;
}

/** Draws the first number of an address over time, or no longer. */
export function PlotButton({ out, source, address, small }: Props) {
  const line = { out, source, address, argument: 0 };
  const drawn = usePlots((s) => s.lines.some((other) => samePlot(other, line)));
  const press = () => togglePlot(line);
  if (small)
    return (
      <button
        type="button"
        className={`p-1 hover:text-bone ${drawn ? "text-select" : "text-quiet"}`}
        aria-label={`Plot ${address}`}
        aria-pressed={drawn}
        title={drawn ? "No longer plot it" : "Plot it"}
        onClick={press}
      >
        <ChartSpline size={18} aria-hidden />
      </button>
    );
  return (
    <PushButton aria-pressed={drawn} onClick={press}>
      <ChartSpline size={16} aria-hidden /> {drawn ? "Plotted" : "Plot"}
    </PushButton>
  );
}
