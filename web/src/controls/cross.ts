import type { ControlValue } from "../api/types";
import { type Box, writeIn } from "./pageCanvas";
import type { DrawValue } from "./useMark";
import { echoOf, isInHand, positionOf } from "./useValue";

const EDGE = 3;
const NOTCH = 11;
const HALF = 7;
const RING = 3;
const HOLDER = 15;

/**
 * The drawing of a crosspoint. All its places are whole pixels, which look clean; and every other number that a canvas is told is an object
 * to the browser, by the ten thousand a second.
 *
 * @param label its name, unless its target says another one
 */
export function cross(label: string): DrawValue {
  return (g, box, value) => {
    const { width, height, text, palette } = box;
    g.fillStyle = palette.raised;
    g.fillRect(0, 0, width, height);
    g.textAlign = "center";
    g.textBaseline = "middle";
    if (value) level(g, box, value);
    const usual = Math.round(Math.max(11, Math.min(width * 0.2, height * 0.22, 17)));
    const name = (label && value?.label) || label;
    const said = !value || value.belief === "UNSET" ? "–" : value.words || value.text;
    const middle = Math.round(height / 2);
    g.fillStyle = palette.bone;
    if (name) {
      const named = Math.round(usual * text);
      write(g, box, name, named, middle - Math.round(named * 0.6));
    }
    write(g, box, said, usual, name ? middle + Math.round(usual * 0.6) : middle);
  };
}

function write(
  g: CanvasRenderingContext2D,
  { width, palette }: Box,
  said: string,
  size: number,
  middle: number,
) {
  writeIn(g, palette, 500, size);
  g.fillText(said, Math.round(width / 2), middle, width);
}

function level(g: CanvasRenderingContext2D, { width, height, palette }: Box, value: ControlValue) {
  const top = Math.round(height * (1 - positionOf(value)));
  g.fillStyle = palette.rule;
  if (value.belief === "KNOWN" || value.belief === "ASSUMED") g.fillRect(0, top, width, height - top);
  else for (let y = height; y > top; y -= 2 * EDGE) g.fillRect(0, Math.max(top, y - EDGE), width, EDGE);
  g.fillStyle = palette.bone;
  g.fillRect(0, within(top - 1, height - EDGE), width, EDGE);
  const echo = echoOf(value);
  if (echo !== null) {
    const at = HALF + within(Math.round(height * (1 - echo)) - HALF, height - 2 * HALF);
    g.fillStyle = palette.in;
    g.beginPath();
    g.moveTo(width - NOTCH, at);
    g.lineTo(width, at - HALF);
    g.lineTo(width, at + HALF);
    g.fill();
  }
  if (value.disputed) {
    g.strokeStyle = palette.fault;
    g.lineWidth = RING;
    g.strokeRect(RING / 2, RING / 2, width - RING, height - RING);
  }
  if (value.holder && !isInHand(value)) {
    g.fillStyle = palette.select;
    g.fillRect(0, 0, width, HOLDER);
    g.fillStyle = palette.ink;
    writeIn(g, palette, 700, 12);
    g.fillText(value.holderName, Math.round(width / 2), Math.round(HOLDER / 2), width);
  }
}

const within = (place: number, most: number) => Math.max(0, Math.min(most, place));
