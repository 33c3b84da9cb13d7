import type { ArgumentSource, Form, FormOf, Send, ShapingStep } from "../../api/types";
import { plain } from "../../controls/scale";
import { PLAIN_VALUE } from "./arguments";

/** What the settings of a control have to know of its form; all else the server says. */
interface FormFacts<K extends Form["kind"] = Form["kind"]> {
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
  /** What only this form can send on; its first send does. */
  on?: { value: Send["on"]; text: string };
  /** The steps of its first send, where they are not the plain ones. */
  shaping?: (form: FormOf<K>) => ShapingStep[];
}

const MOVED = { hands: true, label: true, mark: false };
const SHOWN = { hands: false, label: true, mark: false };

/** A hand that holds a device trembles. */
const steadied = (most: number): ShapingStep[] => [{ step: "smooth", seconds: 0.2 }, plain(-most, most)];

const FACTS: { [K in Form["kind"]]: FormFacts<K> } = {
  fader: MOVED,
  knob: MOVED,
  cross: MOVED,
  button: { ...MOVED, mark: true },
  tap: { ...MOVED, mark: true, shaping: (form) => [plain(form.slowest, form.fastest)] },
  choice: { ...MOVED, own: { source: { from: "chosen", type: "TEXT" }, text: "its option" } },
  wheel: {
    ...MOVED,
    own: { source: { from: "steps", type: "INT32", each: 1 }, text: "its steps" },
    on: { value: "STEP", text: "each step" },
  },
  line: { ...MOVED, label: false, own: { source: { from: "typed", type: "TEXT" }, text: "what is typed" } },
  pad: { ...MOVED, axes: ["sideways", "upwards"] },
  tilt: { ...MOVED, axes: ["sideways", "forwards"], shaping: (form) => steadied(form.degrees) },
  motion: { ...MOVED, axes: ["right", "up", "out"], shaping: (form) => steadied(form.most) },
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

/** The facts of each form; that a form and its facts belong together is what the table above says. */
export const FORMS = FACTS as Record<Form["kind"], FormFacts>;

/** What a first send of a form says. */
export function usualArguments(form: Form): ArgumentSource[] {
  const { axes, own, shaping } = FORMS[form.kind];
  if (own) return [own.source];
  return (axes ?? [""]).map((_, axis) => ({
    ...PLAIN_VALUE,
    shaping: shaping?.(form) ?? PLAIN_VALUE.shaping,
    axis,
  }));
}
