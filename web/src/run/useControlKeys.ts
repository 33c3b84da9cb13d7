import { useEffect } from "react";
import { isMeantElsewhere } from "../ui/keys";
import { isStroke } from "./keyStroke";
import { controlsBy, Presses } from "./presses";

/** The keys of the keyboard that press controls, whichever page is shown. */
export function useControlKeys(): void {
  useEffect(() => {
    const presses = new Presses("key");
    const onDown = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e) || e.repeat || presses.isDown(e.code)) return;
      const controls = controlsBy((written) => isStroke(written, e));
      if (controls.length === 0) return;
      e.preventDefault();
      presses.press(e.code, controls);
    };
    const onUp = (e: KeyboardEvent) => presses.letGo(e.code);
    const onBlur = () => presses.letGoOfAll();
    window.addEventListener("keydown", onDown);
    window.addEventListener("keyup", onUp);
    window.addEventListener("blur", onBlur);
    return () => {
      onBlur();
      window.removeEventListener("keydown", onDown);
      window.removeEventListener("keyup", onUp);
      window.removeEventListener("blur", onBlur);
    };
  }, []);
}
