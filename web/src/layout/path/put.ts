import type { Control, Listen, Problem, Send } from "../../api/types";
import type { HeldOf } from "../../live/show";
import { of } from "../../ui/fields";
import { setControls } from "../actions";

/** Changes fields of a part of a control, from what is there when the edit's turn comes; the first names the field. */
export type Put<P> = (field: string, update: (before: P) => Partial<P>) => Promise<Problem[]>;

export function putControl(held: HeldOf<Control>): Put<Control> {
  return putControls([held]);
}

/** The same field of several controls in one edit. */
export function putControls(controls: HeldOf<Control>[]): Put<Control> {
  return (field, update) => of(field, setControls(controls, words(field), update));
}

export function putSend(held: HeldOf<Control>, index: number): Put<Send> {
  return (field, update) =>
    putControl(held)(`sends/${index}/${field}`, (control) => ({
      sends: control.sends.map((send, i) => (i === index ? { ...send, ...update(send) } : send)),
    }));
}

export function putListen(held: HeldOf<Control>, index: number): Put<Listen> {
  return (field, update) =>
    putControl(held)(`listens/${index}/${field}`, (control) => ({
      listens: control.listens.map((listen, i) => (i === index ? { ...listen, ...update(listen) } : listen)),
    }));
}

/** What the history calls a field. */
function words(field: string): string {
  return (
    field
      .split("/")
      .filter((part) => Number.isNaN(Number(part)))
      .at(-1) ?? "the control"
  );
}
