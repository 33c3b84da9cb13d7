import type { AlignedData } from "uplot";
import type { Plotted } from "../api/types";

/** All curves over the same times, each last value drawn on to the present. */
export function together({ nowMillis, lines }: Plotted): AlignedData {
  const times = [
    ...new Set([...lines.flatMap((line) => line.map((point) => point.atMillis)), nowMillis]),
  ].sort((a, b) => a - b);
  const place = new Map(times.map((time, i) => [time, i]));
  const columns = lines.map((line) => {
    const column: (number | null)[] = times.map(() => null);
    for (const point of line) column[place.get(point.atMillis)!] = point.value;
    if (line.length > 0) column[times.length - 1] = line.at(-1)!.value;
    return column;
  });
  return [times.map((time) => time / 1000), ...columns] as AlignedData;
}
