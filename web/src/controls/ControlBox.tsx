import { type ReactNode, useRef } from "react";
import type { Control } from "../api/types";
import { type Draw, useValue } from "./useValue";

interface Props {
  id: string;
  control: Control;
  className?: string;
  /** Draws each value; the same function each time. */
  draw: Draw;
  /** Whether where it stands is drawn on the canvas of the page. */
  onCanvas?: boolean;
  children: ReactNode;
}

/** How large its label is, and where it stands. */
export const textOf = ({ face }: Control) => ({
  "data-text-size": face.textSize,
  "data-text-place": face.textPlace,
  "data-meaning": face.meaning,
});

/** What every control has around it: its place on the page, what is believed of its value, and who holds it. */
export function ControlBox({ id, control, className = "", draw, onCanvas = false, children }: Props) {
  const root = useRef<HTMLDivElement>(null);
  useValue(root, id, draw, onCanvas);
  return (
    <div
      ref={root}
      className={`control ${className}`}
      data-control={id}
      data-belief="UNSET"
      {...textOf(control)}
    >
      {children}
      <div className="holder" />
    </div>
  );
}
