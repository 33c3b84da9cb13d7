import { useMemo } from "react";
import type { Control } from "../api/types";
import { useSketch } from "../requests/shaping";
import { type PlacedMark, scaleAsked, straightScale } from "./scale";

/** The marks beside the slot: those that the control has, or five at even distances. None until the server has said where they lie on a curve. */
export function useScale(control: Control): PlacedMark[] {
  const asked = useMemo(() => scaleAsked(control), [control]);
  const curved = useSketch(asked);
  return asked ? (curved?.scale ?? []) : straightScale(control);
}
