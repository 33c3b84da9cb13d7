/** Forms that are about another part of the show: a page, a target, a cue list, a track, a set list. */
import type { FormOf } from "../../../api/types";
import { inDraft } from "../../../live/laid";
import { partsOf, useShow } from "../../../live/show";
import { report } from "../../../ui/notices";
import { Select } from "../../../ui/Select";
import { PartSelect } from "../../PartSelect";
import type { FieldsOf } from "./fields";

const NOWHERE = "nowhere";

export function PageKeyFields({ form, put }: FieldsOf<"pageKey">) {
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

export function TargetEndFields({ form, put }: FieldsOf<"targetEnd">) {
  return (
    <PartSelect
      label="Address of"
      kind="target"
      none="no target yet"
      value={form.target}
      set={(target) => put("form", { target })}
    />
  );
}

const CUE_ORDERS: { value: FormOf<"cueKey">["order"]; text: string }[] = [
  { value: "GO", text: "go" },
  { value: "BACK", text: "back" },
  { value: "PAUSE", text: "pause and resume" },
  { value: "STOP", text: "stop" },
  { value: "FIRE", text: "fire one cue" },
  { value: "RESET", text: "reset" },
  { value: "STOP_ALL", text: "stop all lists" },
];

export function CueKeyFields({ form, put }: FieldsOf<"cueKey">) {
  return (
    <>
      <Select
        label="Order"
        value={form.order}
        onChange={(order) => void report(put("form", { order }))}
        options={CUE_ORDERS}
      />
      {form.order !== "STOP_ALL" && (
        <PartSelect label="Cue list" kind="cueList" value={form.list} set={(list) => put("form", { list })} />
      )}
      {form.order === "FIRE" && form.list && (
        <PartSelect
          label="Cue"
          kind="cue"
          inside={form.list}
          value={form.cue}
          set={(cue) => put("form", { cue })}
        />
      )}
    </>
  );
}

export function CueDisplayFields({ form, put }: FieldsOf<"cueDisplay">) {
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
      <PartSelect label="Cue list" kind="cueList" value={form.list} set={(list) => put("form", { list })} />
    </>
  );
}

export function TrackKeyFields({ form, put }: FieldsOf<"trackKey">) {
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

export function TrackDisplayFields({ form, put }: FieldsOf<"trackDisplay">) {
  return <PartSelect label="Track" kind="track" value={form.track} set={(track) => put("form", { track })} />;
}

export function SongKeyFields({ form, put }: FieldsOf<"songKey">) {
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

export function SongDisplayFields({ form, put }: FieldsOf<"songDisplay">) {
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
