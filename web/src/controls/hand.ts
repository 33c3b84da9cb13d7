/** Hands on controls: events of fingers and keys become frames; what they mean is decided by the server. */
import type { KeyboardEvent, PointerEvent } from "react";
import type { TouchPhase } from "../api/types";
import { fingerDown, fingerUp, send } from "../live/connection";

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

/**
 * Positions run from 0 to 1 over the part of the element that is marked data-travel.
 *
 * @param control the control that is touched
 * @param keys    what its keys do: step a value, or press it
 */
export function hand(control: string, keys: "step" | "press"): Hand {
  const touch = (finger: string, phase: TouchPhase, x: number, y: number, fine = false) => {
    send({ kind: "touch", control, finger, phase, x, y, fine });
  };

  const pointed = (phase: TouchPhase) => (e: PointerEvent) => {
    const box = e.currentTarget.querySelector("[data-travel]")?.getBoundingClientRect();
    if (!box) return;
    const x = (e.clientX - box.left) / box.width;
    const y = (box.bottom - e.clientY) / box.height;
    touch(String(e.pointerId), phase, x, y, e.shiftKey);
  };

  const down = pointed("PRESS");
  const move = pointed("MOVE");
  const up = pointed("RELEASE");
  const cancel = pointed("CANCEL");
  let keyHeld = false;

  const releaseKey = () => {
    if (!keyHeld) return;
    keyHeld = false;
    fingerUp("key");
    touch("key", "RELEASE", 0, 0);
  };

  return {
    onPointerDown: (e) => {
      if (e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      fingerDown(String(e.pointerId));
      down(e);
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
      const way = keys === "step" ? stepOf(e.key) : undefined;
      const place = keys === "step" ? placeOf(e.key) : undefined;
      if (way !== undefined) touch("key", "STEP", 0, way, e.shiftKey);
      else if (place !== undefined) touch("key", "SET", 0, place);
      else if (keys === "press" && (e.key === " " || e.key === "Enter")) {
        if (!keyHeld && !e.repeat) {
          keyHeld = true;
          fingerDown("key");
          touch("key", "PRESS", 0, 0);
        }
      } else return;
      e.preventDefault();
    },
    onKeyUp: (e) => {
      if (e.key === " " || e.key === "Enter") releaseKey();
    },
    onBlur: releaseKey,
  };
}

function stepOf(key: string): number | undefined {
  return {
    ArrowUp: STEP,
    ArrowRight: STEP,
    ArrowDown: -STEP,
    ArrowLeft: -STEP,
    PageUp: PAGE_STEP,
    PageDown: -PAGE_STEP,
  }[key];
}

function placeOf(key: string): number | undefined {
  return { Home: 0, End: 1 }[key];
}
