import { useEffect, useState } from "react";
import type { Control, Form } from "../api/types";
import { touch } from "./hand";
import { Tape } from "./Tape";
import { drawSlider } from "./useValue";
import { ControlBox } from "./ControlBox";

interface Props {
  id: string;
  control: Control;
  form: Extract<Form, { kind: "tilt" }>;
  live: boolean;
}

type Permission = { requestPermission?: () => Promise<"granted" | "denied"> };

/** The tilt of this very device, once it is switched on here; arrow keys tilt it where there is no sensor. */
export function TiltView({ id, control, form, live }: Props) {
  const [on, setOn] = useState(false);
  const [trouble, setTrouble] = useState("");

  useEffect(() => {
    if (!on) return;
    const onTilt = (e: DeviceOrientationEvent) => {
      if (e.gamma === null || e.beta === null) setTrouble("no sensor here");
      else touch(id, "tilt", "TILT", { x: e.gamma, y: e.beta });
    };
    window.addEventListener("deviceorientation", onTilt);
    return () => window.removeEventListener("deviceorientation", onTilt);
  }, [on, id]);

  const turn = async () => {
    const sensor = (window as { DeviceOrientationEvent?: Permission }).DeviceOrientationEvent;
    if (!on && sensor?.requestPermission && (await sensor.requestPermission()) !== "granted")
      return setTrouble("No motion sensor available");
    if (!on && !window.isSecureContext) return setTrouble("sensors need the encrypted address");
    setTrouble("");
    setOn(!on);
  };

  return (
    <ControlBox id={id} control={control} draw={drawSlider}>
      <div className="control-face">
        <div
          className="pad-room"
          role="slider"
          tabIndex={live ? 0 : -1}
          aria-label={control.label || "tilt"}
          aria-roledescription="tilt"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={0}
          onKeyDown={(e) => {
            const way = {
              ArrowLeft: [-1, 0],
              ArrowRight: [1, 0],
              ArrowUp: [0, 1],
              ArrowDown: [0, -1],
            }[e.key];
            if (!way || !live) return;
            e.preventDefault();
            // a degree a step
            const step = 0.5 / form.degrees;
            touch(id, "key", "STEP", { x: way[0]! * step, y: way[1]! * step });
          }}
        >
          <div data-travel className="pad tilt-pad">
            <div data-moved className="pad-echo" />
            <div data-moved className="pad-spot" />
          </div>
        </div>
        <button
          className="tilt-switch"
          aria-pressed={on}
          disabled={!live}
          onClick={() => void turn().catch(() => setTrouble("No motion sensor available"))}
        >
          {on ? "Sensor on" : "Sensor off"}
        </button>
        <div className="readings-line">
          <span className="reading-out">–</span>{" "}
          {trouble ? <span className="text-caution">{trouble}</span> : <span className="reading-state" />}
        </div>
        <Tape label={control.label} />
      </div>
    </ControlBox>
  );
}
