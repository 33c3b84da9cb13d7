/** The numbers that are drawn over time. */
import { create } from "zustand";
import type { PlotLine } from "../api/types";

/** More curves than anybody tells apart. */
export const MOST_CURVES = 8;

/** In the place of an argument: where the control stood that said it, 0 to 1. */
export const POSITION = -1;

export const usePlots = create<{ lines: PlotLine[] }>()(() => ({ lines: [] }));

export const samePlot = (a: PlotLine, b: PlotLine) =>
  a.out === b.out && a.source === b.source && a.address === b.address && a.argument === b.argument;

/** Draws a number from now on, or no longer; of too many the first makes room. */
export function togglePlot(line: PlotLine): void {
  usePlots.setState(({ lines }) => ({
    lines: lines.some((other) => samePlot(other, line))
      ? lines.filter((other) => !samePlot(other, line))
      : [...lines, line].slice(-MOST_CURVES),
  }));
}
