/**
 * Draws at most once a frame: of what came in between, the last counts. Where a page is slow, it draws less, not later. Where
 * many move at once, as meters do, they are drawn every other frame, as an eye cannot follow more of them; what a hand here
 * moves is drawn in each.
 */

const MANY = 24;
const CALM_MS = 25;

interface Drawing {
  draw: () => void;
  inHand: boolean;
}

const waiting = new Map<object, Drawing>();
let drawnAt = -Infinity;

function flush(now: number): void {
  const calm = waiting.size > MANY && now - drawnAt < CALM_MS;
  const due = [...waiting].filter(([, { inHand }]) => inHand || !calm);
  if (!calm) drawnAt = now;
  for (const [what] of due) waiting.delete(what);
  if (waiting.size > 0) requestAnimationFrame(flush);
  for (const [, { draw }] of due) draw();
}

/**
 * @param what   is drawn; drawing it again before the next frame replaces what waited
 * @param inHand whether a hand here moves it
 */
export function paint(what: object, draw: () => void, inHand = false): void {
  if (waiting.size === 0) requestAnimationFrame(flush);
  waiting.set(what, { draw, inHand });
}

export function forget(what: object): void {
  waiting.delete(what);
}
