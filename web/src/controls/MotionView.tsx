import { useMemo } from "react";
import { ControlBox } from "./ControlBox";
import { touch } from "./hand";
import { SensorFoot } from "./SensorFoot";
import { drawMotion } from "./tilt";
import { useSensor } from "./useSensor";
import type { ViewOf } from "./view";

const AXES = ["right", "up", "out"];

/** How this very device is moved, once that is switched on here. A mouse that drags the spot moves it where there is no sensor: it is at rest when it lets go. */
export function MotionView({ id, control, form, live }: ViewOf<"motion">) {
  const draw = useMemo(() => drawMotion(form.most), [form.most]);
  const { on, trouble, turn } = useSensor("devicemotion", "DeviceMotionEvent", live, (e) => {
    const { x = null, y = null, z = null } = e.acceleration ?? {};
    if (x === null || y === null || z === null) return false;
    touch(id, "motion", "MOTION", { x, y, z });
    return true;
  });

  const drag = (e: React.PointerEvent<HTMLElement>) => {
    if (!live || on || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const { left, top, width, height } = e.currentTarget.getBoundingClientRect();
    touch(id, "motion", "MOTION", {
      x: ((e.clientX - left) / width - 0.5) * 2 * form.most,
      y: (0.5 - (e.clientY - top) / height) * 2 * form.most,
    });
  };
  const rest = () => {
    if (live && !on) touch(id, "motion", "MOTION", {});
  };

  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div className="control-face">
        <div
          className="pad-room"
          role="slider"
          tabIndex={live ? 0 : -1}
          aria-label={control.label || "motion"}
          aria-roledescription="motion"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={0}
          onKeyDown={(e) => {
            const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[
              e.key
            ];
            if (!way || !live || e.repeat) return;
            e.preventDefault();
            touch(id, "motion", "MOTION", { x: (way[0]! * form.most) / 2, y: (way[1]! * form.most) / 2 });
          }}
          onKeyUp={rest}
        >
          <div
            data-travel
            className="pad tilt-pad"
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              drag(e);
            }}
            onPointerMove={drag}
            onPointerUp={rest}
            onPointerCancel={rest}
          >
            <div data-moved className="pad-echo" />
            <div data-moved className="pad-spot" />
          </div>
        </div>
        <div className="tilt-keys">
          <button className="tilt-switch" aria-pressed={on} disabled={!live} onClick={turn}>
            {on ? "Sensor on" : "Sensor off"}
          </button>
        </div>
        <div className="readings-line tilt-axes">
          {AXES.map((name, axis) => (
            <span key={name} data-axis={axis}>
              {name} <span className={`tilt-${axis}`}>–</span>{" "}
            </span>
          ))}
          m/s²
        </div>
        <SensorFoot label={control.label} trouble={trouble} />
      </div>
    </ControlBox>
  );
}
