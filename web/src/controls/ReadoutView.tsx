import type { ControlValue } from "../api/types";
import { type Drawn } from "./useValue";
import { ControlBox } from "./ControlBox";
import type { ViewOf } from "./view";

/** What the target last said, large; nothing to touch. */
export function ReadoutView({ id, control }: ViewOf<"readout">) {
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div
        className="control-face justify-center"
        role="status"
        aria-live="off"
        aria-label={control.label || "readout"}
      >
        <span className="readout-said">–</span>
        {control.label && <span className="label-text reading-state text-center">{control.label}</span>}
      </div>
    </ControlBox>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const stale = value.belief === "STALE" ? " (stale)" : "";
  const unit = value.echoText && value.unit ? ` ${value.unit}` : "";
  drawn.fitted(".readout-said", (value.echoText || "–") + unit + stale);
}
