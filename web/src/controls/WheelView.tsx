import { useMemo, useRef } from "react";
import type { Control, Form } from "../api/types";
import { hand } from "./hand";
import { Tape } from "./Tape";
import { drawSlider, useValue } from "./useValue";

interface Props {
  id: string;
  control: Control;
  form: Extract<Form, { kind: "wheel" }>;
  live: boolean;
}

/** A wheel without ends: what counts are its steps. */
export function WheelView({ id, control, form, live }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "step", 1), [id]);
  useValue(root, id, drawSlider);
  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
      <div
        className="control-face"
        role="slider"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "wheel"}
        aria-roledescription="endless wheel"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
        {...(live ? handlers : {})}
      >
        <div data-travel className="wheel-room">
          <div data-moved className="wheel" style={{ ["--steps" as string]: form.steps }}>
            <div className="wheel-mark" />
          </div>
        </div>
        <Tape label={control.label} />
      </div>
      <div className="holder" />
    </div>
  );
}
