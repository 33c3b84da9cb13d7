import { useEffect, useState } from "react";
import { positionAt, type ToldTrack } from "../live/position";

/** Where a track is, drawn anew as often as the screen is while it goes on. */
export function usePosition(told: ToldTrack | undefined, length: number): number {
  const [, redraw] = useState(0);
  const rolling = told?.state.rolling ?? false;
  useEffect(() => {
    if (!rolling) return;
    let frame = requestAnimationFrame(function again() {
      redraw((n) => n + 1);
      frame = requestAnimationFrame(again);
    });
    return () => cancelAnimationFrame(frame);
  }, [rolling]);
  return told ? positionAt(told, performance.now(), length) : 0;
}
