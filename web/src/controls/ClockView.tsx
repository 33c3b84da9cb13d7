import { useEffect, useState } from "react";
import { timeOfDay } from "../ui/time";
import type { ViewOf } from "./view";

const SECOND = 1000;

/** The time of day of this device. */
export function ClockView({ id, control }: ViewOf<"clock">) {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), SECOND);
    return () => clearInterval(timer);
  }, []);
  return (
    <div className="control" data-control={id}>
      <div className="control-face justify-center" role="timer" aria-label={control.label || "clock"}>
        <time className="clock-time" dateTime={now.toISOString()}>
          {timeOfDay(now)}
        </time>
      </div>
    </div>
  );
}
