import { useEffect } from "react";
import { touch } from "../controls/hand";
import { fingerDown, fingerUp } from "../live/connection";
import { told } from "../ui/notices";
import { watchPads } from "./gamepads";
import { controlsBy, Presses } from "./presses";

/** A stick at its end moves a control from end to end in a second. */
const WAYS_A_SECOND = 1;
const FINGER = "stick";

/** The buttons of game controllers that press controls, and the sticks that move them, whichever page is shown. */
export function useGamepads(): void {
  useEffect(() => {
    const presses = new Presses("gamepad");
    const moving = new Map<string, string[]>();
    const letGo = (stick: string) => {
      moving.get(stick)?.forEach((id) => {
        fingerUp(`${FINGER} ${id}`);
        touch(id, FINGER, "RELEASE");
      });
      moving.delete(stick);
    };
    const stop = watchPads(({ down, sticks }, seconds) => {
      presses.keys().forEach((key) => !down.has(key) && presses.letGo(key));
      down.forEach(
        (key) =>
          !presses.isDown(key) &&
          presses.press(
            key,
            controlsBy((written) => written === key),
          ),
      );
      [...moving.keys()].forEach((stick) => !sticks.has(stick) && letGo(stick));
      sticks.forEach(({ right, up }, stick) => {
        if (!moving.has(stick)) {
          const controls = controlsBy((written) => written === stick);
          moving.set(stick, controls);
          controls.forEach((id) => fingerDown(`${FINGER} ${id}`));
        }
        const way = Math.min(seconds, 0.1) * WAYS_A_SECOND;
        moving.get(stick)!.forEach((id) => touch(id, FINGER, "STEP", { x: right * way, y: up * way }));
      });
    });
    const met = (e: GamepadEvent) =>
      told(`Game controller ${e.gamepad.index + 1} plays here: ${e.gamepad.id}`);
    const gone = (e: GamepadEvent) => told(`Game controller ${e.gamepad.index + 1} is gone`);
    window.addEventListener("gamepadconnected", met);
    window.addEventListener("gamepaddisconnected", gone);
    return () => {
      stop();
      presses.letGoOfAll();
      [...moving.keys()].forEach(letGo);
      window.removeEventListener("gamepadconnected", met);
      window.removeEventListener("gamepaddisconnected", gone);
    };
  }, []);
}
