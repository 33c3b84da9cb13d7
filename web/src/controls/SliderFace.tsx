import type { ReactNode } from "react";
import type { Control } from "../api/types";
import type { Hand } from "./hand";

interface Props {
  control: Control;
  live: boolean;
  handlers: Hand;
  className?: string;
  /** A word for a slider of an unusual kind. */
  description?: string;
  orientation?: "horizontal" | "vertical";
  children: ReactNode;
}

/** The face of whatever is moved along a way, as those hear it who do not see it. */
export function SliderFace({
  control,
  live,
  handlers,
  className = "",
  description,
  orientation,
  children,
}: Props) {
  return (
    <div
      className={`control-face ${className}`}
      role="slider"
      tabIndex={live ? 0 : -1}
      aria-label={control.label || control.form.kind}
      aria-roledescription={description}
      aria-orientation={orientation}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={0}
      {...(live ? handlers : {})}
    >
      {children}
    </div>
  );
}
