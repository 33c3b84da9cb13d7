import type { CSSProperties, ReactNode } from "react";
import type { Cells } from "../api/types";

/** Cells of equal size, as many as there are columns and rows. */
export function gridOf(columns: number, rows: number): CSSProperties {
  return {
    gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
    gridTemplateRows: `repeat(${rows}, minmax(0, 1fr))`,
  };
}

/** The place of a rectangle of cells in a grid. */
export function placeOf({ column, row, width, height }: Cells): CSSProperties {
  return { gridColumn: `${column + 1} / span ${width}`, gridRow: `${row + 1} / span ${height}` };
}

/** What lies on cells. */
export function Laid({ cells, children }: { cells: Cells; children: ReactNode }) {
  return (
    <div className="relative min-h-0 min-w-0" style={placeOf(cells)}>
      {children}
    </div>
  );
}
