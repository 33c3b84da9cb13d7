import { type RefObject, useEffect } from "react";
import type { ControlValue } from "../api/types";
import { browser } from "../live/browser";
import { Painting } from "../live/paint";
import { values } from "../live/values";
import { fit } from "./fit";

const BELIEF_WORDS = { UNSET: "no value", KNOWN: "", ASSUMED: "unconfirmed", STALE: "stale" };

/** Where a control stands on an axis. */
export const positionOf = (value: ControlValue, axis = 0) => value.axes[axis]?.position ?? 0;

/** Where its target says that it stands; null where it never said. */
export const echoOf = (value: ControlValue, axis = 0) => value.axes[axis]?.echo ?? null;

/** Whether a hand in this browser holds it. */
export const isInHand = (value: ControlValue) => value.holder === browser.id;

/** One or two words on what we may believe of a value, or on why it takes no hand now. */
export function stateWords(value: ControlValue): string {
  if (!value.enabled) return "not now";
  if (value.open) return "touch again";
  if (value.disputed) return echoOf(value) === null ? "no answer" : `heard ${value.echoText}`;
  return BELIEF_WORDS[value.belief];
}

/** The parts of a control's element that are drawn again and again, looked for once. */
export class Drawn {
  private readonly found = new Map<string, HTMLElement | null>();
  private readonly moved: HTMLElement[];
  /** The data that was written; to read it back would take longer than all the rest of a drawing. */
  private readonly written = new Map<string, string>();

  constructor(readonly root: HTMLElement) {
    this.moved = [...root.querySelectorAll<HTMLElement>("[data-moved]")];
  }

  part(selector: string): HTMLElement | null {
    let part = this.found.get(selector);
    if (part === undefined) {
      part = this.root.querySelector<HTMLElement>(selector);
      this.found.set(selector, part);
    }
    return part;
  }

  /** Only where it is another one: a page of hundreds is drawn sixty times a second. */
  text(selector: string, text: string): void {
    const part = this.part(selector);
    if (part && part.textContent !== text) part.textContent = text;
  }

  /** A text that is as large as its place allows. */
  fitted(selector: string, text: string): void {
    const part = this.part(selector);
    if (!part || part.textContent === text) return;
    part.textContent = text;
    fit(part, text);
  }

  attribute(selector: string, name: string, value: string): void {
    const part = this.part(selector);
    if (part && part.getAttribute(name) !== value) part.setAttribute(name, value);
  }

  /** Nothing but this writes data that changes. */
  data(name: string, value: string): void {
    if (this.written.get(name) === value) return;
    this.written.set(name, value);
    this.root.dataset[name] = value;
  }

  /** A number that styles use; it is written where it is used, or all that lies beneath would be looked at again. */
  number(name: string, value: number): void {
    for (const part of this.moved) part.style.setProperty(name, String(value));
  }

  /** Where it stands, for the styles of what moves. */
  axes(axes: ControlValue["axes"]): void {
    if (this.moved.length === 0) return;
    axes.forEach(({ position, echo }, axis) => {
      const suffix = axis ? `-${axis + 1}` : "";
      this.number(`--position${suffix}`, position);
      this.number(`--echo${suffix}`, echo ?? 0);
    });
  }
}

export type Draw = (drawn: Drawn, value: ControlValue) => void;

/** Whether two values of a control differ in more than where it stands. */
const isOtherwise = (a: ControlValue, b: ControlValue) =>
  a.belief !== b.belief ||
  a.disputed !== b.disputed ||
  a.enabled !== b.enabled ||
  a.open !== b.open ||
  a.holder !== b.holder ||
  a.label !== b.label;

/**
 * Draws each new value of a control straight into its element, and lets the caller draw the rest.
 *
 * @param seenElsewhere whether where it stands is drawn by somebody else, so that the element only says it to those who do not see it
 */
export function useValue(
  root: RefObject<HTMLElement | null>,
  control: string,
  draw: Draw,
  seenElsewhere: boolean,
): void {
  useEffect(() => {
    const element = root.current;
    if (!element) return;
    const drawn = new Drawn(element);
    let last: ControlValue | undefined;
    const all = () => {
      const value = values.get(control);
      if (!value) return;
      last = value;
      drawn.axes(value.axes);
      drawn.data("echo", String(echoOf(value) !== null));
      drawn.data("belief", value.belief);
      drawn.data("disputed", String(value.disputed));
      drawn.data("enabled", String(value.enabled));
      drawn.data("open", String(value.open));
      const title = value.movedBy ? `moved last by ${value.movedBy}` : "";
      if (element.title !== title) element.title = title;
      drawn.text(".holder", value.holder && !isInHand(value) ? value.holderName : "");
      const label = drawn.part("[data-label]");
      if (label) drawn.fitted("[data-label]", value.label || label.dataset.label || " ");
      draw(drawn, value);
    };
    const painting = new Painting(all, seenElsewhere);
    const stop = values.subscribe(control, (value) =>
      painting.again(isInHand(value) || !last || isOtherwise(value, last)),
    );
    return () => {
      stop();
      painting.forget();
    };
  }, [root, control, draw, seenElsewhere]);
}

/** What every slider says to those who do not see it. */
export function drawSlider(drawn: Drawn, value: ControlValue): void {
  const state = stateWords(value);
  drawn.text(".reading-out", value.belief === "UNSET" ? "–" : value.text);
  drawn.text(".reading-state", state || value.words || value.unit);
  drawn.data("words", String(!state && value.words !== ""));
  drawn.attribute("[role=slider]", "aria-valuenow", String(Math.round(positionOf(value) * 100)));
  drawn.attribute(
    "[role=slider]",
    "aria-valuetext",
    [`${value.text} ${value.unit}`.trim(), value.words, state].filter(Boolean).join(", "),
  );
  drawn.attribute("[role=slider]", "aria-disabled", String(!value.enabled));
}
