import type { ArgumentSource, Form } from "../../api/types";

/** What the settings of a control have to know of its form; all else the server says. */
interface FormFacts {
  /** Whether hands move it. */
  hands: boolean;
  /** Whether it shows a label. */
  label: boolean;
  /** Whether it has an icon or a picture. */
  mark: boolean;
  /** What its axes are called, where it has more than one. */
  axes?: string[];
  /** What it has to send besides its value. */
  own?: { source: ArgumentSource; text: string };
}

const MOVED: FormFacts = { hands: true, label: true, mark: false };
const SHOWN: FormFacts = { hands: false, label: true, mark: false };

export const FORMS: Record<Form["kind"], FormFacts> = {
  fader: MOVED,
  knob: MOVED,
  cross: MOVED,
  button: { ...MOVED, mark: true },
  tap: { ...MOVED, mark: true },
  choice: { ...MOVED, own: { source: { from: "chosen", type: "TEXT" }, text: "its option" } },
  wheel: { ...MOVED, own: { source: { from: "steps", type: "INT32", each: 1 }, text: "its steps" } },
  line: { ...MOVED, label: false, own: { source: { from: "typed", type: "TEXT" }, text: "what is typed" } },
  pad: { ...MOVED, axes: ["sideways", "upwards"] },
  tilt: { ...MOVED, axes: ["sideways", "forwards"] },
  motion: { ...MOVED, axes: ["right", "up", "out"] },
  colour: { ...MOVED, axes: ["red", "green", "blue"] },
  meter: SHOWN,
  lamp: SHOWN,
  readout: SHOWN,
  needle: SHOWN,
  clock: { ...SHOWN, label: false },
  picture: { ...SHOWN, mark: true },
  pageKey: { ...SHOWN, mark: true },
  targetEnd: SHOWN,
  cueKey: { ...MOVED, mark: true },
  cueDisplay: { ...SHOWN, label: false },
  trackKey: { ...MOVED, mark: true },
  trackDisplay: { ...SHOWN, label: false },
  songKey: { ...MOVED, mark: true },
  songDisplay: { ...SHOWN, label: false },
};
