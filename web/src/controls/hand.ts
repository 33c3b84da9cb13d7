/** Hands on controls: events of fingers and keys become frames; what they mean is decided by the server. */
import type { KeyboardEvent, PointerEvent } from "react";
import type { TouchPhase } from "../api/types";
import { fingerDown, fingerUp, command } from "../live/connection";
import { noteTouch } from "../live/touched";

const STEP = 0.01;
const PAGE_STEP = 0.1;

export interface Hand {
  onPointerDown: (e: PointerEvent) => void;
  onPointerMove: (e: PointerEvent) => void;
  onPointerUp: (e: PointerEvent) => void;
  onPointerCancel: (e: PointerEvent) => void;
  onKeyDown: (e: KeyboardEvent) => void;
  onKeyUp: (e: KeyboardEvent) => void;
  onBlur: () => void;
}

/** One event of a hand, as the server hears it. */
export function touch(
  control: string,
  finger: string,
  phase: TouchPhase,
  at: { x?: number; y?: number; z?: number; fine?: boolean; words?: string } = {},
): boolean {
  const { x = 0, y = 0, z = 0, fine = false, words = "" } = at;
  noteTouch(control);
  return command({ kind: "touch", control, finger, phase, x, y, z, fine, words });
}

/**
 * Positions run from 0 to 1 over the part of the element that is marked data-travel, or over as many pixels as it says, where it
 * is smaller: a small knob is not harder to set than a large one.
 *
 * @param control the control that is touched
 * @param keys    what its keys do: step a value, or press it
 * @param step    how far one step goes
 * @param words   what a press says beside that
 * @param down    whether the arrow down goes to higher positions, as in a list
 */
export function hand(control: string, keys: "step" | "press", step = STEP, down = false, words = ""): Hand {
  const pointed = (phase: TouchPhase) => (e: PointerEvent) => {
    const travel = e.currentTarget.querySelector<HTMLElement>("[data-travel]");
    if (!travel) return;
    const { left, right, top, bottom } = travel.getBoundingClientRect();
    const least = Number(travel.dataset.travel) || 0;
    const x = 0.5 + (e.clientX - (left + right) / 2) / Math.max(right - left, least);
    const y = 0.5 + ((top + bottom) / 2 - e.clientY) / Math.max(bottom - top, least);
    touch(control, String(e.pointerId), phase, {
      x,
      y,
      fine: e.shiftKey,
      words: phase === "PRESS" ? words : "",
    });
  };

  const pressed = pointed("PRESS");
  const move = pointed("MOVE");
  const up = pointed("RELEASE");
  const cancel = pointed("CANCEL");
  let keyHeld = false;

  const holdKey = () => {
    keyHeld = true;
    fingerDown("key");
  };
  const releaseKey = () => {
    if (!keyHeld) return;
    keyHeld = false;
    fingerUp("key");
    touch(control, "key", "RELEASE");
  };

  return {
    onPointerDown: (e) => {
      if (e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      fingerDown(String(e.pointerId));
      pressed(e);
    },
    onPointerMove: (e) => {
      if (e.currentTarget.hasPointerCapture(e.pointerId)) move(e);
    },
    onPointerUp: (e) => {
      fingerUp(String(e.pointerId));
      up(e);
    },
    onPointerCancel: (e) => {
      fingerUp(String(e.pointerId));
      cancel(e);
    },
    onKeyDown: (e) => {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const way = keys === "step" ? stepOf(e.key, step, down) : undefined;
      const place = keys === "step" ? placeOf(e.key) : undefined;
      if (way !== undefined) {
        // what springs back does so when the key is let go
        holdKey();
        touch(control, "key", "STEP", { ...way, fine: e.shiftKey });
      } else if (place !== undefined) {
        holdKey();
        touch(control, "key", "SET", { y: place });
      } else if (e.key === "Delete" || e.key === "Backspace") touch(control, "key", "REST");
      else if (keys === "press" && (e.key === " " || e.key === "Enter")) {
        if (!keyHeld && !e.repeat) {
          holdKey();
          touch(control, "key", "PRESS");
        }
      } else return;
      e.preventDefault();
    },
    onKeyUp: (e) => {
      if (e.key === " " || e.key === "Enter" || stepOf(e.key, step, down) || placeOf(e.key) !== undefined)
        releaseKey();
    },
    onBlur: releaseKey,
  };
}

function stepOf(key: string, step: number, down: boolean): { x?: number; y?: number } | undefined {
  const page = Math.max(PAGE_STEP, step);
  const upwards = down ? -1 : 1;
  return {
    ArrowUp: { y: upwards * step },
    ArrowRight: { x: step },
    ArrowDown: { y: -upwards * step },
    ArrowLeft: { x: -step },
    PageUp: { y: upwards * page },
    PageDown: { y: -upwards * page },
  }[key];
}

function placeOf(key: string): number | undefined {
  return { Home: 0, End: 1 }[key];
}
