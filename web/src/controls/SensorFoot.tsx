import { Tape } from "./Tape";

/** What a control that is moved by a sensor says at its foot: its reading, or why the sensor gives nothing; and its label. */
export function SensorFoot({ label, trouble }: { label: string; trouble: string }) {
  return (
    <>
      <div className="readings-line">
        <span className="reading-out">–</span>{" "}
        {trouble ? (
          <span role="status" className="text-caution">
            {trouble}
          </span>
        ) : (
          <span className="reading-state" />
        )}
      </div>
      <Tape label={label} />
    </>
  );
}
