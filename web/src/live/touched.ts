/** The control that a hand in this browser touched last. */
import { create } from "zustand";

export const useTouched = create<{ control: string | null }>()(() => ({ control: null }));

/** Takes note of a touch; a control that is touched on is no news. */
export function noteTouch(control: string): void {
  if (useTouched.getState().control !== control) useTouched.setState({ control });
}
