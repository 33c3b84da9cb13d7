/**
 * One canvas over all that lies on a grid, on which the kinds of controls draw that stand there by the hundred. As elements of
 * their own, each of them would be styled, laid out and painted again for every value; here a value costs a few rectangles.
 */
import { createContext } from "react";
import { forget, paint } from "../live/paint";

/** The roles of colours that are drawn with. */
const ROLES = [
  "ground",
  "panel",
  "raised",
  "rule",
  "bone",
  "quiet",
  "in",
  "fault",
  "caution",
  "select",
  "ink",
] as const;

export type Palette = Record<(typeof ROLES)[number], string> & { font: string };

/** The room of a mark in CSS pixels, how many times the usual size its text has, and what colours there are. */
export interface Box {
  width: number;
  height: number;
  text: number;
  palette: Palette;
}

/** Draws within a box, from its top left. */
export type Stroke = (g: CanvasRenderingContext2D, box: Box) => void;

/** Something that is drawn where an element lies. */
export interface Mark {
  readonly element: HTMLElement;
  readonly stroke: Stroke;
  /** Where it lies on the canvas; null until it was looked at. */
  box: { x: number; y: number; width: number; height: number; text: number } | null;
}

export class PageCanvas {
  private readonly marks = new Set<Mark>();
  private canvas: HTMLCanvasElement | null = null;
  private pen: CanvasRenderingContext2D | null = null;
  private palette: Palette | null = null;

  /** The canvas to draw on; null once it is gone. */
  on(canvas: HTMLCanvasElement | null): void {
    this.canvas = canvas;
    this.pen = canvas?.getContext("2d") ?? null;
    if (canvas) this.lookAnew();
    else forget(this);
  }

  add(element: HTMLElement, stroke: Stroke): Mark {
    const mark = { element, stroke, box: null };
    this.marks.add(mark);
    this.lookAnew();
    return mark;
  }

  remove(mark: Mark): void {
    this.marks.delete(mark);
    forget(mark);
    this.lookAnew();
  }

  /** It looks otherwise now, perhaps because a hand here moves it. */
  again(mark: Mark, inHand: boolean): void {
    paint(mark, () => this.draw(mark), inHand);
  }

  /** Things may lie elsewhere now, or have other colours: all is measured at once, then drawn. */
  lookAnew(): void {
    paint(this, () => this.measure());
  }

  private measure(): void {
    const { canvas } = this;
    if (!canvas) return;
    const style = getComputedStyle(canvas);
    const roles = ROLES.map((role) => [role, style.getPropertyValue(`--color-${role}`)]);
    this.palette = { ...Object.fromEntries(roles), font: style.fontFamily } as Palette;
    const around = canvas.getBoundingClientRect();
    const scale = devicePixelRatio;
    // on the edges of pixels, or something of the last drawing would stay there
    const whole = (place: number) => Math.round(place * scale) / scale;
    for (const mark of this.marks) {
      const { left, top, right, bottom } = mark.element.getBoundingClientRect();
      const text = Number(getComputedStyle(mark.element).getPropertyValue("--text")) || 1;
      const [x, y] = [whole(left - around.x), whole(top - around.y)];
      mark.box = { x, y, width: whole(right - around.x) - x, height: whole(bottom - around.y) - y, text };
    }
    // setting the size clears it, also where it stays the same
    canvas.width = Math.round(around.width * scale);
    canvas.height = Math.round(around.height * scale);
    this.pen?.scale(scale, scale);
    for (const mark of this.marks) this.draw(mark);
  }

  private draw({ box, stroke }: Mark): void {
    const { pen, palette } = this;
    if (!pen || !palette || !box) return;
    pen.clearRect(box.x, box.y, box.width, box.height);
    pen.save();
    pen.translate(box.x, box.y);
    stroke(pen, { ...box, palette });
    pen.restore();
  }
}

export const PageCanvasContext = createContext<PageCanvas | null>(null);
