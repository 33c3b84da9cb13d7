import type { ControlValue } from "../api/types";
import type { DrawValue } from "./useMark";
import { echoOf, isInHand, positionOf } from "./useValue";

const EDGE = 3;
const NOTCH = 11;
const RING = 3;
const HOLDER = 15;

/**
 * The drawing of a crosspoint.
 *
 * @param label its name, unless its target says another one
 */
export function cross(label: string): DrawValue {
  return (g, { width, height, text, palette }, value) => {
    g.fillStyle = palette.raised;
    g.fillRect(0, 0, width, height);
    g.textAlign = "center";
    g.textBaseline = "middle";
    const usual = Math.max(11, Math.min(width * 0.2, height * 0.22, 17));
    const words = (said: string, size: number, middle: number) => {
      g.font = `500 ${size}px ${palette.font}`;
      g.fillText(said, width / 2, middle, width);
    };
    const name = (label && value?.label) || label;
    const said = !value || value.belief === "UNSET" ? "–" : value.words || value.text;
    if (value) level(value);
    g.fillStyle = palette.bone;
    const named = usual * text;
    if (name) words(name, named, height / 2 - named * 0.6);
    words(said, usual, name ? height / 2 + usual * 0.6 : height / 2);

    function level(value: ControlValue) {
      const top = height * (1 - positionOf(value));
      g.fillStyle = palette.rule;
      if (value.belief === "KNOWN" || value.belief === "ASSUMED") g.fillRect(0, top, width, height - top);
      else for (let y = height; y > top; y -= 2 * EDGE) g.fillRect(0, Math.max(top, y - EDGE), width, EDGE);
      g.fillStyle = palette.bone;
      g.fillRect(0, within(top - EDGE / 2, height - EDGE), width, EDGE);
      const echo = echoOf(value);
      if (echo !== null) {
        const half = NOTCH * 0.6;
        const at = half + within(height * (1 - echo) - half, height - 2 * half);
        g.fillStyle = palette.in;
        g.beginPath();
        g.moveTo(width - NOTCH, at);
        g.lineTo(width, at - half);
        g.lineTo(width, at + half);
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
        g.font = `700 12px ${palette.font}`;
        g.fillText(value.holderName, width / 2, HOLDER / 2, width);
      }
    }
  };
}

const within = (place: number, most: number) => Math.max(0, Math.min(most, place));
