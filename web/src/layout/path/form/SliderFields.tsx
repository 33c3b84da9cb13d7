import type { FormOf, Problem } from "../../../api/types";
import { useScale } from "../../../controls/useScale";
import { Check, NumberField } from "../../../ui/fields";
import { MarksField } from "../../../ui/MarksField";
import { report } from "../../../ui/notices";
import { Select } from "../../../ui/Select";
import type { FieldsOf } from "./fields";

const GRABS: { value: FormOf<"fader">["grab"]; text: string }[] = [
  { value: "RELATIVE", text: "moves relatively" },
  { value: "PICK_UP", text: "picks up" },
  { value: "JUMP", text: "jumps, once the value is known" },
];
/** A pad has no line along which its value could be picked up. */
const PAD_GRABS = GRABS.filter(({ value }) => value !== "PICK_UP");

const NO_DETENT = "none";

export function FaderFields({ control, form, put }: FieldsOf<"fader">) {
  return (
    <>
      <Select
        label="Touch beside the cap"
        value={form.grab}
        options={GRABS}
        onChange={(grab) => void report(put("form", { grab }))}
      />
      <Select<FormOf<"fader">["direction"]>
        label="Direction"
        value={form.direction}
        onChange={(direction) => void report(put("form", { direction }))}
        options={[
          { value: "UP", text: "up" },
          { value: "RIGHT", text: "right" },
        ]}
      />
      <FaderDetent control={control} form={form} put={put} />
      <MarksField
        label="Scale: value text; … (empty: even numbers)"
        marks={form.marks}
        put={(marks) => put("form/marks", { marks })}
      />
      <Springs springs={form.springs} to="its rest value" put={(springs) => put("form", { springs })} />
      <Rest rest={form.rest} put={(rest) => put("form/rest", { rest })} />
    </>
  );
}

export function KnobFields({ form, put }: FieldsOf<"knob">) {
  return (
    <>
      <p className="text-sm text-quiet">Drag up and down to turn it; it never jumps.</p>
      <Detent form={form} marks={[]} put={(holdsAt) => put("form", { holdsAt })} />
      <Springs springs={form.springs} to="its rest value" put={(springs) => put("form", { springs })} />
      <Rest rest={form.rest} put={(rest) => put("form/rest", { rest })} />
    </>
  );
}

export function PadFields({ form, put }: FieldsOf<"pad">) {
  return (
    <>
      <Select
        label="Touch beside the spot"
        value={form.grab}
        options={PAD_GRABS}
        onChange={(grab) => void report(put("form", { grab }))}
      />
      <Springs springs={form.springs} to="the middle" put={(springs) => put("form", { springs })} />
    </>
  );
}

function Springs(props: { springs: boolean; to: string; put: (springs: boolean) => Promise<Problem[]> }) {
  return (
    <Check
      label={`springs back to ${props.to}`}
      checked={props.springs}
      onChange={(springs) => void report(props.put(springs))}
    />
  );
}

function Rest({ rest, put }: { rest: number; put: (rest: number) => Promise<Problem[]> }) {
  return <NumberField label="Rest value, 0 to 1" value={rest} onCommit={put} />;
}

function FaderDetent({ control, form, put }: FieldsOf<"fader">) {
  const scale = useScale(control.part.body);
  // without marks of its own a fader has even numbers, which nobody set a detent for
  return (
    <Detent form={form} marks={form.marks.length ? scale : []} put={(holdsAt) => put("form", { holdsAt })} />
  );
}

interface DetentProps {
  form: { rest: number; holdsAt: number | null };
  marks: { place: number; text: string }[];
  put: (holdsAt: number | null) => Promise<Problem[]>;
}

/** Where a hand is held a little: in the middle, at the rest value, or at a mark of the scale. */
function Detent({ form, marks, put }: DetentProps) {
  const places = new Map<number, string>([[0.5, "in the middle"]]);
  for (const { place, text } of marks) places.set(place, `at ${text}`);
  if (!places.has(form.rest)) places.set(form.rest, "at its rest value");
  if (form.holdsAt !== null && !places.has(form.holdsAt)) places.set(form.holdsAt, `at ${form.holdsAt}`);
  return (
    <Select
      label="Detent"
      value={String(form.holdsAt ?? NO_DETENT)}
      onChange={(at) => void report(put(at === NO_DETENT ? null : Number(at)))}
      options={[
        { value: NO_DETENT, text: "none" },
        ...[...places].map(([at, text]) => ({ value: String(at), text })),
      ]}
    />
  );
}
