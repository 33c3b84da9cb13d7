import { useMemo, useRef } from "react";
import { ControlBox } from "./ControlBox";
import { touch } from "./hand";
import { SensorFoot } from "./SensorFoot";
import { drawTilt } from "./tilt";
import { useSensor } from "./useSensor";
import type { ViewOf } from "./view";

/** The tilt of this very device, once it is switched on here. A mouse that drags the spot, or arrow keys, tilt it where there is no sensor. */
export function TiltView({ id, control, form, live }: ViewOf<"tilt">) {
  const last = useRef({ x: 0, y: 0 });
  const draw = useMemo(() => drawTilt(form.degrees), [form.degrees]);

  const { on, trouble, turn } = useSensor("deviceorientation", "DeviceOrientationEvent", live, (e) => {
    if (e.gamma === null || e.beta === null) return false;
    last.current = { x: e.gamma, y: e.beta };
    touch(id, "tilt", "TILT", last.current);
    return true;
  });

  const drag = (e: React.PointerEvent<HTMLElement>) => {
    if (!live || on || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const { left, top, width, height } = e.currentTarget.getBoundingClientRect();
    last.current = {
      x: ((e.clientX - left) / width - 0.5) * 2 * form.degrees,
      y: (0.5 - (e.clientY - top) / height) * 2 * form.degrees,
    };
    touch(id, "tilt", "TILT", last.current);
  };

  return (
    <ControlBox id={id} control={control} draw={draw}>
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
          <div
            data-travel
            className="pad tilt-pad"
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              drag(e);
            }}
            onPointerMove={drag}
          >
            <div data-moved className="pad-echo" />
            <div data-moved className="pad-spot" />
          </div>
        </div>
        <div className="tilt-keys">
          <button className="tilt-switch" aria-pressed={on} disabled={!live} onClick={turn}>
            {on ? "Sensor on" : "Sensor off"}
          </button>
          <button
            className="tilt-switch"
            disabled={!live}
            title="As it is held now is level"
            onClick={() => touch(id, "tilt", "FLAT", last.current)}
          >
            Flat now
          </button>
        </div>
        <div className="readings-line tilt-axes">
          <span data-axis="0">
            sideways <span className="tilt-0">–</span>
          </span>{" "}
          <span data-axis="1">
            forwards <span className="tilt-1">–</span>
          </span>
        </div>
        <SensorFoot label={control.label} trouble={trouble} />
      </div>
    </ControlBox>
  );
}
