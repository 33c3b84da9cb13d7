/** Draws at most once a frame: of what came in between, the last counts. Where a page is slow, it draws less, not later. */

const waiting = new Map<object, () => void>();

function flush(): void {
  const now = [...waiting.values()];
  waiting.clear();
  for (const draw of now) draw();
}

/** @param what is drawn; drawing it again before the next frame replaces what waited */
export function paint(what: object, draw: () => void): void {
  if (waiting.size === 0) requestAnimationFrame(flush);
  waiting.set(what, draw);
}

export function forget(what: object): void {
  waiting.delete(what);
}
