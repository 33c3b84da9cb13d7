import { type RefObject, useEffect } from "react";
import type { ControlValue } from "../api/types";
import { browser } from "../live/browser";
import { values } from "../live/values";

const BELIEF_WORDS = { UNSET: "unset", KNOWN: "", ASSUMED: "assumed", STALE: "stale" };

/** One or two words on what we may believe of a value. */
export function stateWords(value: ControlValue): string {
  if (value.disputed) return value.echo === null ? "no answer" : `heard ${value.echoText}`;
  return BELIEF_WORDS[value.belief];
}

/** Draws each new value of a control straight into its element, and lets the caller draw the rest. */
export function useValue(
  root: RefObject<HTMLElement | null>,
  control: string,
  draw: (element: HTMLElement, value: ControlValue) => void,
): void {
  useEffect(
    () =>
      values.subscribe(control, (value) => {
        const element = root.current;
        if (!element) return;
        element.style.setProperty("--position", String(value.position));
        element.style.setProperty("--echo", String(value.echo ?? 0));
        element.dataset.echo = String(value.echo !== null);
        element.dataset.belief = value.belief;
        element.dataset.disputed = String(value.disputed);
        element.title = value.movedBy ? `moved last by ${value.movedBy}` : "";
        const holder = element.querySelector(".holder");
        if (holder) holder.textContent = value.holder && value.holder !== browser.id ? value.holderName : "";
        draw(element, value);
      }),
    [root, control, draw],
  );
}
