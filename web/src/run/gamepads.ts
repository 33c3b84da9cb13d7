/** Game controllers, by what the W3C's "Gamepad" says of them: their buttons are keys, and their sticks move controls. */

/** What is read of one of them. */
export interface PadReading {
  index: number;
  buttons: readonly { pressed: boolean }[];
  axes: readonly number[];
}

/** What a stick is off its middle, -1 to 1: to the right, and upwards. */
export interface Stick {
  right: number;
  up: number;
}

export interface Pads {
  /** The buttons that are down, as keys are written. */
  down: Set<string>;
  /** The sticks that are off their middle, likewise. */
  sticks: Map<string, Stick>;
}

/** A stick never quite stands in its middle (common practice, no source). */
const MIDDLE = 0.15;

const offMiddle = (axis: number | undefined) => {
  const at = axis ?? 0;
  return Math.abs(at) <= MIDDLE ? 0 : (Math.sign(at) * (Math.abs(at) - MIDDLE)) / (1 - MIDDLE);
};

/** All buttons and sticks, numbered from 1: [Gamepad1Button3], [Gamepad1Stick1]. */
export function readPads(pads: readonly PadReading[]): Pads {
  const down = new Set<string>();
  const sticks = new Map<string, Stick>();
  for (const pad of pads) {
    const name = `Gamepad${pad.index + 1}`;
    pad.buttons.forEach((button, i) => button.pressed && down.add(`[${name}Button${i + 1}]`));
    for (let i = 0; i + 1 < pad.axes.length; i += 2) {
      // of an axis that lies upright -1 is the top
      const stick = { right: offMiddle(pad.axes[i]), up: -offMiddle(pad.axes[i + 1]) };
      if (stick.right !== 0 || stick.up !== 0) sticks.set(`[${name}Stick${i / 2 + 1}]`, stick);
    }
  }
  return { down, sticks };
}

/** Looks at all of them before each picture of the screen, as long as there is one. Stops what it returns. */
export function watchPads(look: (pads: Pads, seconds: number) => void): () => void {
  let asked = 0;
  let last = 0;
  const now = () => navigator.getGamepads().filter((pad) => pad !== null);
  const frame = (time: number) => {
    const pads = now();
    look(readPads(pads), last === 0 ? 0 : (time - last) / 1000);
    last = time;
    asked = pads.length > 0 ? requestAnimationFrame(frame) : 0;
  };
  const begin = () => {
    if (asked !== 0) return;
    last = 0;
    asked = requestAnimationFrame(frame);
  };
  window.addEventListener("gamepadconnected", begin);
  if (now().length > 0) begin();
  return () => {
    window.removeEventListener("gamepadconnected", begin);
    cancelAnimationFrame(asked);
  };
}
