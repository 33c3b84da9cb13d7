/**
 * Draws at most once a frame: of what came in between, the last counts. Where a page is slow, it draws less, not later. Where
 * many move at once, as meters do, they are drawn every other frame, as an eye cannot follow more of them; what a hand here
 * moves is drawn in each.
 */

const MANY = 24;
const CALM_MS = 25;

/** What waits for the next frame, and, while that is drawn, the empty list that waits for its turn. */
let waiting: Painting[] = [];
let spare: Painting[] = [];
let asked = false;
let drawnAt = -Infinity;

/** Something that is drawn again and again. It is made once: a page of hundreds that move leaves no garbage. */
export class Painting {
  private waits = false;
  private inHand = false;

  constructor(private readonly draw: () => void) {}

  /**
   * Draws it with the next frame; asked again before that, it is still drawn once.
   *
   * @param inHand whether a hand here moves it
   */
  again(inHand = false): void {
    this.inHand = inHand;
    if (!this.waits) wait(this);
    this.waits = true;
  }

  /** It is gone: whatever waited is not drawn. */
  forget(): void {
    this.waits = false;
  }

  /** @returns whether it has to wait for a later frame */
  drawIn(calm: boolean): boolean {
    if (!this.waits) return false;
    if (calm && !this.inHand) return true;
    this.waits = false;
    this.draw();
    return false;
  }
}

function wait(painting: Painting): void {
  waiting.push(painting);
  if (!asked) requestAnimationFrame(flush);
  asked = true;
}

function flush(now: number): void {
  const due = waiting;
  const calm = due.length > MANY && now - drawnAt < CALM_MS;
  if (!calm) drawnAt = now;
  waiting = spare;
  spare = due;
  asked = false;
  for (const painting of due) if (painting.drawIn(calm)) wait(painting);
  due.length = 0;
}
