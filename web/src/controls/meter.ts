import type { Box } from "./pageCanvas";
import type { DrawValue } from "./useMark";
import { echoOf } from "./useValue";

/** How long the highest level of late stays marked. */
const PEAK_MS = 1500;

/** Where the column turns from usual to high, and from high to too high. */
const HIGH = 0.75;
const TOO_HIGH = 0.92;

const CLIP_HEIGHT = 8;
const STALE = 0.4;

/** The drawing of one meter, which remembers its peak. */
export function meter(): DrawValue {
  let peak = 0;
  let peakAt = -Infinity;
  return (g, box, value) => {
    const { width, height, palette } = box;
    const level = (value && echoOf(value)) ?? 0;
    const now = performance.now();
    if (level >= peak || now - peakAt > PEAK_MS) {
      peak = level;
      peakAt = now;
    }
    if (value?.belief === "STALE") g.globalAlpha *= STALE;
    g.fillStyle = palette.ground;
    g.fillRect(0, 0, width, height);
    zone(g, box, level, palette.in, 0, HIGH);
    zone(g, box, level, palette.caution, HIGH, TOO_HIGH);
    zone(g, box, level, palette.fault, TOO_HIGH, 1);
    g.fillStyle = palette.bone;
    if (peak > 0) g.fillRect(0, Math.max(0, Math.round(height * (1 - peak)) - 1), width, 3);
    g.fillStyle = palette.fault;
    if (peak >= 1) g.fillRect(0, 0, width, CLIP_HEIGHT);
    g.strokeStyle = palette.rule;
    g.lineWidth = 1;
    g.strokeRect(0.5, 0.5, width - 1, height - 1);
  };
}

/** What a level fills of a part of the way. */
function zone(
  g: CanvasRenderingContext2D,
  { width, height }: Box,
  level: number,
  colour: string,
  from: number,
  to: number,
) {
  if (level <= from) return;
  const top = Math.round(height * (1 - Math.min(level, to)));
  g.fillStyle = colour;
  g.fillRect(0, top, width, Math.round(height * (1 - from)) - top);
}
