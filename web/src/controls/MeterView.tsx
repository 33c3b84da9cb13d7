import type { Control, ControlValue } from "../api/types";
import { type Drawn, echoOf } from "./useValue";
import { ControlBox } from "./ControlBox";

/** How long the highest level of late stays marked. */
const PEAK_MS = 1500;

/** A column that its target fills; the line above it is the highest level of late. Nothing to touch. */
export function MeterView({ id, control }: { id: string; control: Control }) {
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div
        className="control-face"
        role="meter"
        aria-label={control.label || "meter"}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={0}
      >
        <div className="meter">
          <div className="meter-level" />
          <div data-moved className="meter-cover" />
          <div data-moved className="meter-peak" />
          <div className="meter-clip" title="clipped" />
        </div>
        {control.label && <div className="meter-label">{control.label}</div>}
      </div>
    </ControlBox>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const level = echoOf(value) ?? 0;
  const now = performance.now();
  const { dataset } = drawn.root;
  const peak = Number(dataset.peak ?? 0);
  if (level >= peak || now - Number(dataset.peakAt ?? 0) > PEAK_MS) {
    dataset.peak = String(level);
    dataset.peakAt = String(now);
    drawn.number("--peak", level);
  }
  drawn.data("clip", String(Number(dataset.peak) >= 1));
  drawn.attribute("[role=meter]", "aria-valuenow", String(Math.round(level * 100)));
}
