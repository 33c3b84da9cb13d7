import type { Control, Form, Problem } from "../../api/types";
import { useScale } from "../../controls/useScale";
import { type HeldOf, partsOf, useShow } from "../../live/show";
import { inDraft, nameOf } from "../../live/laid";
import { EditField } from "../../ui/EditField";
import { Check, NumberField } from "../../ui/fields";
import { MarksField } from "../../ui/MarksField";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import type { Put } from "./put";

type Of<K extends Form["kind"]> = Extract<Form, { kind: K }>;
/** Changes some of what a form says; the first names the field. */
type PutForm = (field: string, change: Partial<Form>) => Promise<Problem[]>;

const GRABS: { value: Of<"fader">["grab"]; text: string }[] = [
  { value: "RELATIVE", text: "moves relatively" },
  { value: "PICK_UP", text: "picks up" },
  { value: "JUMP", text: "jumps, once the value is known" },
];

const NOWHERE = "nowhere";

/** What is to be said of a form besides its label. */
export function FormFields({ control, put: putControl }: { control: HeldOf<Control>; put: Put<Control> }) {
  const form = control.part.body.form;
  const put: PutForm = (field, change) =>
    putControl(field, (before) => ({ form: { ...before.form, ...change } as Form }));
  const now = (change: Partial<Form>) => void report(put("form", change));
  switch (form.kind) {
    case "fader":
      return (
        <>
          <Select
            label="Touch beside the cap"
            value={form.grab}
            options={GRABS}
            onChange={(grab) => now({ grab })}
          />
          <Select<Of<"fader">["direction"]>
            label="Direction"
            value={form.direction}
            onChange={(direction) => now({ direction })}
            options={[
              { value: "UP", text: "up" },
              { value: "RIGHT", text: "right" },
            ]}
          />
          <Holds control={control.part.body} put={(holdsAt) => now({ holdsAt })} />
          <MarksField
            label="Scale: value text; … (empty: even numbers)"
            marks={form.marks}
            put={(marks) => put("form/marks", { marks })}
          />
          <Springs springs={form.springs} to="its rest value" put={(springs) => now({ springs })} />
          <Rest rest={form.rest} put={(rest) => put("form/rest", { rest })} />
        </>
      );
    case "knob":
      return (
        <>
          <p className="text-sm text-quiet">Drag up and down to turn it; it never jumps.</p>
          <Holds control={control.part.body} put={(holdsAt) => now({ holdsAt })} />
          <Springs springs={form.springs} to="its rest value" put={(springs) => now({ springs })} />
          <Rest rest={form.rest} put={(rest) => put("form/rest", { rest })} />
        </>
      );
    case "button":
      return (
        <>
          <Select<Of<"button">["action"]>
            label="Press"
            value={form.action}
            onChange={(action) => now({ action })}
            options={[
              { value: "MOMENTARY", text: "momentary" },
              { value: "LATCHING", text: "toggle" },
              { value: "ONE_SHOT", text: "trigger" },
            ]}
          />
          <GroupField held={control} group={form.group} put={(group) => put("form/group", { group })} />
        </>
      );
    case "choice":
      return <ChoiceFields form={form} put={put} />;
    case "lamp":
      return <LampFields form={form} put={put} />;
    case "pad":
      return (
        <>
          <Select
            label="Touch beside the spot"
            value={form.grab}
            options={GRABS.filter((g) => g.value !== "PICK_UP")}
            onChange={(grab) => now({ grab })}
          />
          <Springs springs={form.springs} to="the middle" put={(springs) => now({ springs })} />
        </>
      );
    case "colour":
      return (
        <EditField
          label="Saved colours"
          mono
          value={form.swatches.join(" ")}
          onCommit={(text) =>
            put("form/swatches", {
              swatches: text
                .toLowerCase()
                .split(/[\s,]+/)
                .filter(Boolean),
            })
          }
        />
      );
    case "tilt":
      return (
        <NumberField
          label="Full-scale angle (°)"
          value={form.degrees}
          onCommit={(degrees) => put("form/degrees", { degrees })}
        />
      );
    case "motion":
      return (
        <NumberField
          label="Full scale (m/s²)"
          value={form.most}
          onCommit={(most) => put("form/most", { most })}
        />
      );
    case "wheel":
      return (
        <NumberField
          label="Steps of a turn"
          whole
          value={form.steps}
          onCommit={(steps) => put("form/steps", { steps })}
        />
      );
    case "tap":
      return (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label="Slowest, a minute"
            value={form.slowest}
            onCommit={(slowest) => put("form/fastest", { slowest })}
          />
          <NumberField
            label="Fastest"
            value={form.fastest}
            onCommit={(fastest) => put("form/fastest", { fastest })}
          />
        </div>
      );
    case "pageKey":
      return <PageKeyFields form={form} put={put} />;
    case "cueKey":
      return <CueKeyFields form={form} put={put} />;
    case "trackKey":
      return <TrackKeyFields form={form} put={put} />;
    case "trackDisplay":
      return (
        <PartSelect label="Track" kind="track" value={form.track} set={(track) => put("form", { track })} />
      );
    case "songKey":
      return <SongKeyFields form={form} put={put} />;
    case "songDisplay":
      return <SongDisplayFields form={form} put={put} />;
    case "cueDisplay":
      return <CueDisplayFields form={form} put={put} />;
    case "targetEnd":
      return <TargetEndFields form={form} put={put} />;
    case "line":
      return <p className="text-sm text-quiet">What is typed is sent with Enter.</p>;
    case "cross":
      return <p className="text-sm text-quiet">Drag up to fill; it never jumps.</p>;
    case "clock":
      return <p className="text-sm text-quiet">The time of the device that shows it.</p>;
    default:
      return (
        <p className="text-sm text-quiet">A {form.kind} shows what its target says; hands do not move it.</p>
      );
  }
}

function Springs(props: { springs: boolean; to: string; put: (springs: boolean) => void }) {
  return <Check label={`springs back to ${props.to}`} checked={props.springs} onChange={props.put} />;
}

/** The name of a group of buttons, and which others have it. */
function GroupField(props: {
  held: HeldOf<Control>;
  group: string;
  put: (group: string) => Promise<Problem[]>;
}) {
  const { id, parent } = props.held.part;
  const parts = useShow((s) => s.parts);
  const others = partsOf(parts, "control", parent ?? undefined).filter(
    ({ part: { id: other, body } }) =>
      other !== id && body.form.kind === "button" && body.form.group === props.group,
  );
  return (
    <div>
      <EditField label="Exclusive group" value={props.group} onCommit={(group) => props.put(group.trim())} />
      {props.group && (
        <p className="text-sm text-quiet">
          {others.length
            ? `with ${others.map(({ part }) => nameOf(part.body)).join(", ")}`
            : "No other button beside it has this group yet."}
        </p>
      )}
    </div>
  );
}

function Rest({ rest, put }: { rest: number; put: (rest: number) => Promise<Problem[]> }) {
  return <NumberField label="Rest value, 0 to 1" value={rest} onCommit={put} />;
}

/** Where a hand is held a little: in the middle, where it rests, or at a mark of its scale. */
function Holds({ control, put }: { control: Control; put: (holdsAt: number | null) => void }) {
  const { form } = control;
  const marks = useScale(control);
  if (form.kind !== "fader" && form.kind !== "knob") return null;
  const places = new Map<number, string>([[0.5, "in the middle"]]);
  if (form.kind === "fader" && form.marks.length)
    for (const { place, text } of marks) places.set(place, `at ${text}`);
  if (!places.has(form.rest)) places.set(form.rest, "at its rest value");
  if (form.holdsAt !== null && !places.has(form.holdsAt)) places.set(form.holdsAt, `at ${form.holdsAt}`);
  return (
    <Select
      label="Detent"
      value={String(form.holdsAt ?? NOWHERE)}
      onChange={(at) => put(at === NOWHERE ? null : Number(at))}
      options={[
        { value: NOWHERE, text: "none" },
        ...[...places].map(([at, text]) => ({ value: String(at), text })),
      ]}
    />
  );
}

/** One option a line, its label and after a bar what is sent for it. */
function ChoiceFields({ form, put }: { form: Of<"choice">; put: PutForm }) {
  const written = form.options
    .map((o) => (o.label === o.text ? o.text : `${o.label} | ${o.text}`))
    .join("; ");
  const read = (text: string) =>
    text
      .split(";")
      .map((each) => each.split("|").map((word) => word.trim()))
      .filter(([label]) => label)
      .map(([label, sent]) => ({ label: label!, text: sent || label! }));
  return (
    <>
      <EditField
        label="Options: label | what is sent; …"
        mono
        value={written}
        onCommit={(text) => put("form/options", { options: read(text) })}
      />
      <Select<Of<"choice">["direction"]>
        label="Arrange as"
        value={form.direction}
        onChange={(direction) => void report(put("form", { direction }))}
        options={[
          { value: "UP", text: "in a column" },
          { value: "RIGHT", text: "in a row" },
        ]}
      />
    </>
  );
}

type Look = Of<"lamp">["states"][number]["look"];
const LOOKS: Look[] = ["DARK", "LIT", "CAUTION", "FAULT", "BLINKING"];

/** One state after the other: what is heard, how it looks, and after a bar the word for it. */
function LampFields({ form, put }: { form: Of<"lamp">; put: PutForm }) {
  const written = form.states
    .map((s) => `${s.text} ${s.look.toLowerCase()}${s.word ? ` | ${s.word}` : ""}`)
    .join("; ");
  const read = (text: string): Of<"lamp">["states"] | string => {
    const states: Of<"lamp">["states"] = [];
    for (const each of text.split(";").filter((s) => s.trim())) {
      const [said = "", word = ""] = each.split("|").map((w) => w.trim());
      const look = said.split(" ").at(-1)!.toUpperCase() as Look;
      const heard = said.split(" ").slice(0, -1).join(" ");
      if (!LOOKS.includes(look) || !heard)
        return `“${each.trim()}” needs a text and a look: ${LOOKS.join(", ").toLowerCase()}`;
      states.push({ text: heard, look, word });
    }
    return states;
  };
  return (
    <EditField
      label="States: text look | word; … (empty: on or off)"
      mono
      value={written}
      onCommit={(text) => {
        const states = read(text);
        return typeof states === "string"
          ? Promise.resolve([{ part: null, field: "", message: states, mend: null }])
          : put("form/states", { states });
      }}
    />
  );
}

function TargetEndFields({ form, put }: { form: Of<"targetEnd">; put: PutForm }) {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name }));
  return (
    <Select
      label="Address of"
      value={form.target && parts.has(form.target) ? form.target : NOWHERE}
      onChange={(to) => void report(put("form", { target: to === NOWHERE ? null : to }))}
      options={[{ value: NOWHERE, text: "no target yet" }, ...targets]}
    />
  );
}

function ListSelect({ list, put }: { list: string | null; put: PutForm }) {
  const parts = useShow((s) => s.parts);
  return (
    <Select
      label="Cue list"
      value={list && parts.has(list) ? list : NOWHERE}
      onChange={(to) => void report(put("form", { list: to === NOWHERE ? null : to }))}
      options={[
        { value: NOWHERE, text: "none yet" },
        ...partsOf(parts, "cueList").map((l) => ({ value: l.part.id, text: l.part.body.name })),
      ]}
    />
  );
}

const CUE_ORDERS: { value: Of<"cueKey">["order"]; text: string }[] = [
  { value: "GO", text: "go" },
  { value: "BACK", text: "back" },
  { value: "PAUSE", text: "pause and resume" },
  { value: "STOP", text: "stop" },
  { value: "FIRE", text: "fire one cue" },
  { value: "RESET", text: "reset" },
  { value: "STOP_ALL", text: "stop all lists" },
];

function CueKeyFields({ form, put }: { form: Of<"cueKey">; put: PutForm }) {
  const parts = useShow((s) => s.parts);
  return (
    <>
      <Select
        label="Order"
        value={form.order}
        onChange={(order) => void report(put("form", { order }))}
        options={CUE_ORDERS}
      />
      {form.order !== "STOP_ALL" && <ListSelect list={form.list} put={put} />}
      {form.order === "FIRE" && form.list && (
        <Select
          label="Cue"
          value={form.cue && parts.has(form.cue) ? form.cue : NOWHERE}
          onChange={(to) => void report(put("form", { cue: to === NOWHERE ? null : to }))}
          options={[
            { value: NOWHERE, text: "none yet" },
            ...partsOf(parts, "cue", form.list)
              .sort((a, b) => Number(a.part.body.number) - Number(b.part.body.number))
              .map((c) => ({ value: c.part.id, text: `${c.part.body.number} ${c.part.body.name}` })),
          ]}
        />
      )}
    </>
  );
}

function CueDisplayFields({ form, put }: { form: Of<"cueDisplay">; put: PutForm }) {
  return (
    <>
      <Select
        label="Shows"
        value={form.shows}
        onChange={(shows) => void report(put("form", { shows }))}
        options={[
          { value: "NEXT", text: "the next cue" },
          { value: "RUNNING", text: "what runs" },
        ]}
      />
      <ListSelect list={form.list} put={put} />
    </>
  );
}

interface PartSelectProps {
  label: string;
  kind: "track" | "trackMark" | "setList" | "song";
  /** In which part it lies. */
  inside?: string | null;
  value: string | null;
  set: (id: string | null) => Promise<Problem[]>;
}

/** One part of a kind by its name, or none yet. */
function PartSelect({ label, kind, inside, value, set }: PartSelectProps) {
  const parts = useShow((s) => s.parts);
  return (
    <Select
      label={label}
      value={value && parts.has(value) ? value : NOWHERE}
      onChange={(to) => void report(set(to === NOWHERE ? null : to))}
      options={[
        { value: NOWHERE, text: "none yet" },
        ...partsOf(parts, kind, inside ?? undefined).map((p) => ({
          value: p.part.id,
          text: p.part.body.name || "without a name",
        })),
      ]}
    />
  );
}

function TrackKeyFields({ form, put }: { form: Of<"trackKey">; put: PutForm }) {
  return (
    <>
      <Select
        label="Order"
        value={form.order}
        onChange={(order) => void report(put("form", { order }))}
        options={[
          { value: "PLAY", text: "play and pause" },
          { value: "START", text: "to the start" },
          { value: "MARK", text: "to a mark" },
          { value: "LOOP", text: "loop a section" },
          { value: "LEAVE", text: "leave the loop at its end" },
        ]}
      />
      <PartSelect
        label="Track"
        kind="track"
        value={form.track}
        set={(track) => put("form", { track, mark: null })}
      />
      {(form.order === "MARK" || form.order === "LOOP") && form.track && (
        <PartSelect
          label="Mark"
          kind="trackMark"
          inside={form.track}
          value={form.mark}
          set={(mark) => put("form", { mark })}
        />
      )}
    </>
  );
}

function SongKeyFields({ form, put }: { form: Of<"songKey">; put: PutForm }) {
  return (
    <>
      <Select
        label="Order"
        value={form.order}
        onChange={(order) => void report(put("form", { order }))}
        options={[
          { value: "NEXT", text: "next song ready" },
          { value: "PREVIOUS", text: "song before ready" },
          { value: "READY", text: "one song ready" },
          { value: "ON_AIR", text: "on air" },
        ]}
      />
      <PartSelect
        label="Set list"
        kind="setList"
        value={form.set}
        set={(set) => put("form", { set, song: null })}
      />
      {form.order === "READY" && form.set && (
        <PartSelect
          label="Song"
          kind="song"
          inside={form.set}
          value={form.song}
          set={(song) => put("form", { song })}
        />
      )}
    </>
  );
}

function SongDisplayFields({ form, put }: { form: Of<"songDisplay">; put: PutForm }) {
  return (
    <>
      <Select
        label="Shows"
        value={form.shows}
        onChange={(shows) => void report(put("form", { shows }))}
        options={[
          { value: "ON_AIR", text: "the song on air" },
          { value: "NEXT", text: "the next song" },
        ]}
      />
      <PartSelect label="Set list" kind="setList" value={form.set} set={(set) => put("form", { set })} />
    </>
  );
}

function PageKeyFields({ form, put }: { form: Of<"pageKey">; put: PutForm }) {
  const parts = useShow((s) => s.parts);
  const pages = partsOf(parts, "page").map(({ part: { id, body } }) => ({
    value: id,
    text: inDraft(parts, id) ? `${body.name}, of the copy` : body.name,
  }));
  const trays = partsOf(parts, "tray")
    .filter((t) => t.part.body.popUp)
    .map((t) => ({ value: t.part.id, text: `shows ${t.part.body.name}` }));
  return (
    <Select
      label="Goes to"
      value={form.goesTo ?? NOWHERE}
      onChange={(to) => void report(put("form", { goesTo: to === NOWHERE ? null : to }))}
      options={[{ value: NOWHERE, text: "nowhere yet" }, ...pages, ...trays]}
    />
  );
}
