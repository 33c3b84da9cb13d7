import { useEffect } from "react";
import { touch } from "../controls/hand";
import { fingerDown, fingerUp } from "../live/connection";
import { partsOf, useShow } from "../live/show";
import { isMeantElsewhere } from "../ui/keys";
import { isStroke } from "./keyStroke";

/** The keys of the keyboard that press controls, whichever page is shown. */
export function useControlKeys(): void {
  useEffect(() => {
    const down = new Map<string, string[]>();
    const pressedBy = (e: KeyboardEvent) =>
      partsOf(useShow.getState().parts, "control")
        .filter((c) => c.part.body.behaviour.key !== "" && isStroke(c.part.body.behaviour.key, e))
        .map((c) => c.part.id);
    const onDown = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e) || e.repeat || down.has(e.code)) return;
      const controls = pressedBy(e);
      if (controls.length === 0) return;
      e.preventDefault();
      down.set(e.code, controls);
      controls.forEach((id) => {
        fingerDown(`key ${id}`);
        touch(id, "key", "PRESS");
      });
    };
    const letGo = (code: string) => {
      down.get(code)?.forEach((id) => {
        fingerUp(`key ${id}`);
        touch(id, "key", "RELEASE");
      });
      down.delete(code);
    };
    const onUp = (e: KeyboardEvent) => letGo(e.code);
    const onBlur = () => [...down.keys()].forEach(letGo);
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
