/**
 * Canvases over all that lies on a grid, on which the kinds of controls draw that stand there by the hundred. As elements of
 * their own, each of them would be styled, laid out and painted again for every value; here a value costs a few rectangles.
 */
import { createContext } from "react";
import { Painting } from "../live/paint";
import { type Place, bandsOf } from "./bands";

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

/** Draws within a box, from its top left. What it sets stays set for the next one, so each sets all that it uses but opacity. */
export type Stroke = (g: CanvasRenderingContext2D, box: Box) => void;

/** A box, and its corner in pixels of the screen, of which there are so many to each of its own. */
type PlacedBox = Box & { left: number; top: number; scale: number };

/** Something that is drawn where an element lies. */
export interface Mark {
  readonly element: HTMLElement;
  readonly stroke: Stroke;
  readonly painting: Painting;
  /** Where it lies on its canvas; null until it was looked at. */
  box: PlacedBox | null;
  /** Draws on the canvas on which it lies. */
  pen: CanvasRenderingContext2D | null;
}

export class PageCanvas {
  private readonly marks = new Set<Mark>();
  private over: HTMLElement | null = null;
  private readonly measuring = new Painting(() => this.measure());

  /** The element that lies over the grid and holds what is drawn on; null once it is gone. */
  on(over: HTMLElement | null): void {
    this.over = over;
    if (over) this.lookAnew();
    else this.measuring.forget();
  }

  add(element: HTMLElement, stroke: Stroke): Mark {
    const mark: Mark = { element, stroke, painting: new Painting(() => draw(mark)), box: null, pen: null };
    this.marks.add(mark);
    this.lookAnew();
    return mark;
  }

  remove(mark: Mark): void {
    this.marks.delete(mark);
    mark.painting.forget();
    this.lookAnew();
  }

  /** Things may lie elsewhere now, or have other colours: all is measured at once, then drawn. */
  lookAnew(): void {
    this.measuring.again();
  }

  private measure(): void {
    const { over } = this;
    if (!over) return;
    const style = getComputedStyle(over);
    const roles = ROLES.map((role) => [role, style.getPropertyValue(`--color-${role}`)]);
    const palette = { ...Object.fromEntries(roles), font: style.fontFamily } as Palette;
    const around = over.getBoundingClientRect();
    const scale = devicePixelRatio;
    // on the edges of pixels, or something of the last drawing would stay there
    const whole = (place: number) => Math.round(place * scale) / scale;
    const places = [...this.marks].map((mark) => {
      const { left, top, right, bottom } = mark.element.getBoundingClientRect();
      const text = Number(getComputedStyle(mark.element).getPropertyValue("--text")) || 1;
      const [x, y] = [whole(left - around.x), whole(top - around.y)];
      return {
        mark,
        x,
        y,
        width: whole(right - around.x) - x,
        height: whole(bottom - around.y) - y,
        text,
        palette,
      };
    });
    const bands = bandsOf(places);
    while (over.childElementCount > bands.length) over.lastElementChild!.remove();
    while (over.childElementCount < bands.length) over.append(document.createElement("canvas"));
    bands.forEach(({ room, places }, i) => {
      const pen = penOf(over.children[i] as HTMLCanvasElement, room, scale);
      for (const { mark, ...box } of places) {
        const [left, top] = [Math.round((box.x - room.x) * scale), Math.round((box.y - room.y) * scale)];
        mark.box = { ...box, left, top, scale };
        mark.pen = pen;
        draw(mark);
      }
    });
  }
}

/** A clean canvas that takes a room. */
function penOf(canvas: HTMLCanvasElement, { x, y, width, height }: Place, scale: number) {
  canvas.style.cssText = `position: absolute; left: ${x}px; top: ${y}px; width: ${width}px; height: ${height}px`;
  // setting the size clears it, also where it stays the same
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  const pen = canvas.getContext("2d");
  if (pen) fonts.delete(pen);
  return pen;
}

/** Without saving and restoring: each saved state is an object of the browser's that it has to collect later, by the thousand. */
function draw({ box, pen, stroke }: Mark): void {
  if (!pen || !box) return;
  const { left, top, width, height, scale } = box;
  pen.setTransform(scale, 0, 0, scale, left, top);
  pen.globalAlpha = 1;
  pen.clearRect(0, 0, width, height);
  stroke(pen, box);
}

/** The weight and size in which each writes, in one number; a canvas that gets a new size forgets it. */
const fonts = new WeakMap<CanvasRenderingContext2D, number>();

/** Sets the font where it is another one: the browser reads its name each time it is told, even where it is the same. */
export function writeIn(g: CanvasRenderingContext2D, { font }: Palette, weight: number, size: number): void {
  const wanted = weight * 1000 + size;
  if (fonts.get(g) === wanted) return;
  fonts.set(g, wanted);
  g.font = `${weight} ${size}px ${font}`;
}

export const PageCanvasContext = createContext<PageCanvas | null>(null);
