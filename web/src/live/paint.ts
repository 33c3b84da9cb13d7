/**
 * Draws at most once a frame: of what came in between, the last counts. Where a page is slow, it draws less, not later. Where
 * many move at once, as meters do, they are drawn every other frame, as an eye cannot follow more of them; what a hand here
 * moves is drawn in each. What is not for the eye, such as numbers for those who hear them, takes turns.
 */

const MANY = 24;
const CALM_MS = 25;
/** How many of those that take turns are drawn in one frame. */
const TURNS = 8;

/**
 * What waits for the next frame, and the list of the last one. They are written over and never emptied: an array that is emptied
 * gives its memory away, and grows anew in each frame.
 */
let waiting: Painting[] = [];
let spare: Painting[] = [];
let count = 0;
let asked = false;
let drawnAt = -Infinity;

/** Something that is drawn again and again. It is made once: a page of hundreds that move leaves no garbage. */
export class Painting {
  private waits = false;
  private atOnce = false;

  /** @param takesTurns whether it may wait a little where there are many */
  constructor(
    private readonly draw: () => void,
    readonly takesTurns = false,
  ) {}

  /**
   * Draws it with the next frame; asked again before that, it is still drawn once.
   *
   * @param atOnce whether it never waits for others, as what a hand here moves does not
   */
  again(atOnce = false): void {
    this.atOnce ||= atOnce;
    if (!this.waits) wait(this);
    this.waits = true;
  }

  /** It is gone: whatever waited is not drawn. */
  forget(): void {
    this.waits = false;
  }

  /** @returns whether it has to wait for a later frame */
  drawUnless(later: boolean): boolean {
    if (!this.waits) return false;
    if (later && !this.atOnce) return true;
    this.waits = false;
    this.atOnce = false;
    this.draw();
    return false;
  }
}

function wait(painting: Painting): void {
  waiting[count++] = painting;
  if (!asked) requestAnimationFrame(flush);
  asked = true;
}

function flush(now: number): void {
  const due = waiting;
  const all = count;
  const calm = all > MANY && now - drawnAt < CALM_MS;
  if (!calm) drawnAt = now;
  waiting = spare;
  spare = due;
  count = 0;
  asked = false;
  let turns = TURNS;
  let next = 0;
  try {
    while (next < all) {
      const painting = due[next++]!;
      if (painting.drawUnless(painting.takesTurns ? turns-- <= 0 : calm)) wait(painting);
    }
  } finally {
    // one that cannot be drawn does not keep the others from it
    while (next < all) wait(due[next++]!);
  }
}
