import { type RefObject, useContext, useEffect } from "react";
import type { ControlValue } from "../api/types";
import { values } from "../live/values";
import { type Box, PageCanvasContext } from "./pageCanvas";
import { isInHand } from "./useValue";

/** Draws a value; none where nothing was heard of the control yet. */
export type DrawValue = (g: CanvasRenderingContext2D, box: Box, value: ControlValue | undefined) => void;

/** What takes no hand now is drawn as faintly as the styles have it. */
const FAINT = 0.45;

/** Draws each new value of a control on the canvas of its page, where an element lies. */
export function useMark(place: RefObject<HTMLElement | null>, control: string, draw: DrawValue): void {
  const canvas = useContext(PageCanvasContext);
  useEffect(() => {
    if (!canvas || !place.current) return;
    const mark = canvas.add(place.current, (g, box) => {
      const value = values.get(control);
      if (value?.enabled === false) g.globalAlpha = FAINT;
      draw(g, box, value);
    });
    const stop = values.subscribe(control, (value) => mark.painting.again(isInHand(value)));
    return () => {
      stop();
      canvas.remove(mark);
    };
  }, [canvas, place, control, draw]);
}
