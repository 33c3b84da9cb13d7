import type { DrawValue } from "./useMark";
import { echoOf } from "./useValue";

/** How long the highest level of late stays marked. */
const PEAK_MS = 1500;

/** Where the column turns from usual to high, and from high to too high. */
const HIGH = 0.75;
const TOO_HIGH = 0.92;
const ZONES = [
  ["in", 0, HIGH],
  ["caution", HIGH, TOO_HIGH],
  ["fault", TOO_HIGH, 1],
] as const;

const CLIP_HEIGHT = 8;
const STALE = 0.4;

/** The drawing of one meter, which remembers its peak. */
export function meter(): DrawValue {
  let peak = 0;
  let peakAt = -Infinity;
  return (g, { width, height, palette }, value) => {
    const level = (value && echoOf(value)) ?? 0;
    const now = performance.now();
    if (level >= peak || now - peakAt > PEAK_MS) {
      peak = level;
      peakAt = now;
    }
    if (value?.belief === "STALE") g.globalAlpha *= STALE;
    g.fillStyle = palette.ground;
    g.fillRect(0, 0, width, height);
    for (const [role, from, to] of ZONES) {
      const top = Math.min(level, to);
      if (top <= from) break;
      g.fillStyle = palette[role];
      g.fillRect(0, height * (1 - top), width, height * (top - from));
    }
    g.fillStyle = palette.bone;
    if (peak > 0) g.fillRect(0, Math.max(0, height * (1 - peak) - 1), width, 3);
    g.fillStyle = palette.fault;
    if (peak >= 1) g.fillRect(0, 0, width, CLIP_HEIGHT);
    g.strokeStyle = palette.rule;
    g.strokeRect(0.5, 0.5, width - 1, height - 1);
  };
}
