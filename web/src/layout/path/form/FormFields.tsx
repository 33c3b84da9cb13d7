import type { ComponentType } from "react";
import type { Control, Form } from "../../../api/types";
import type { HeldOf } from "../../../live/show";
import type { Put } from "../put";
import { ButtonFields } from "./ButtonFields";
import { ChoiceFields } from "./ChoiceFields";
import type { FieldsOf } from "./fields";
import { LampFields } from "./LampFields";
import { ColourFields, MotionFields, TapFields, TiltFields, WheelFields } from "./NumberFields";
import {
  CueDisplayFields,
  CueKeyFields,
  PageKeyFields,
  SongDisplayFields,
  SongKeyFields,
  TargetEndFields,
  TrackDisplayFields,
  TrackKeyFields,
} from "./PartFields";
import { FaderFields, KnobFields, PadFields } from "./SliderFields";

const says = (text: string) => () => <p className="text-sm text-quiet">{text}</p>;

const FIELDS: { [K in Form["kind"]]: ComponentType<FieldsOf<K>> } = {
  fader: FaderFields,
  knob: KnobFields,
  cross: says("Drag up to fill; it never jumps."),
  button: ButtonFields,
  tap: TapFields,
  choice: ChoiceFields,
  wheel: WheelFields,
  line: says("What is typed is sent with Enter."),
  pad: PadFields,
  tilt: TiltFields,
  motion: MotionFields,
  colour: ColourFields,
  meter: says("A meter shows what its target says; hands do not move it."),
  lamp: LampFields,
  readout: says("A readout shows what its target says; hands do not move it."),
  needle: says("A needle shows what its target says; hands do not move it."),
  clock: says("The time of the device that shows it."),
  picture: says("A picture shows what is chosen below; hands do not move it."),
  pageKey: PageKeyFields,
  targetEnd: TargetEndFields,
  cueKey: CueKeyFields,
  cueDisplay: CueDisplayFields,
  trackKey: TrackKeyFields,
  trackDisplay: TrackDisplayFields,
  songKey: SongKeyFields,
  songDisplay: SongDisplayFields,
};

/** What is to be said of a form besides its label. */
export function FormFields({ control, put }: { control: HeldOf<Control>; put: Put<Control> }) {
  const { form } = control.part.body;
  // one lookup for all forms: that a form and its fields belong together is what the table says
  const Fields = FIELDS[form.kind] as ComponentType<FieldsOf>;
  return (
    <Fields
      control={control}
      form={form}
      put={(field, change) => put(field, (before) => ({ form: { ...before.form, ...change } as Form }))}
    />
  );
}
