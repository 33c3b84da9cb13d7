import { useEffect } from "react";
import { touch } from "../controls/hand";
import { fingerDown, fingerUp } from "../live/connection";
import { lend } from "../live/lends";
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
    const lent = new Map<number, () => void>();
    const met = (pad: Gamepad) => {
      if (lent.has(pad.index)) return;
      lent.set(pad.index, lend(`game controller ${pad.index + 1}`));
      told(`Game controller ${pad.index + 1} plays here: ${pad.id}`);
    };
    const connected = (e: GamepadEvent) => met(e.gamepad);
    const gone = (e: GamepadEvent) => {
      lent.get(e.gamepad.index)?.();
      lent.delete(e.gamepad.index);
      told(`Game controller ${e.gamepad.index + 1} is gone`);
    };
    navigator.getGamepads().forEach((pad) => pad && met(pad));
    window.addEventListener("gamepadconnected", connected);
    window.addEventListener("gamepaddisconnected", gone);
    return () => {
      stop();
      presses.letGoOfAll();
      [...moving.keys()].forEach(letGo);
      lent.forEach((takeBack) => takeBack());
      window.removeEventListener("gamepadconnected", connected);
      window.removeEventListener("gamepaddisconnected", gone);
    };
  }, []);
}
