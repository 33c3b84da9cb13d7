import { type RefObject, useContext, useEffect } from "react";
import type { ControlValue } from "../api/types";
import { values } from "../live/values";
import { type Palette, SheetContext } from "./sheet";

/** Draws a value; none where nothing was heard of the control yet. */
export type DrawValue = (
  g: CanvasRenderingContext2D,
  box: { width: number; height: number; palette: Palette },
  value: ControlValue | undefined,
) => void;

/** What takes no hand now is drawn as faintly as the styles have it. */
const FAINT = 0.45;

/** Draws each new value of a control on the sheet, where an element lies. */
export function useMark(place: RefObject<HTMLElement | null>, control: string, draw: DrawValue): void {
  const sheet = useContext(SheetContext);
  useEffect(() => {
    if (!sheet || !place.current) return;
    let last = values.get(control);
    const mark = sheet.add(place.current, (g, width, height, palette) => {
      if (last?.enabled === false) g.globalAlpha = FAINT;
      draw(g, { width, height, palette }, last);
    });
    const stop = values.subscribe(control, (value) => {
      last = value;
      sheet.again(mark);
    });
    return () => {
      stop();
      sheet.remove(mark);
    };
  }, [sheet, place, control, draw]);
}
