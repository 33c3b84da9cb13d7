/** Actions that are about one part of the show: a look, a page, a target, a list, a track, a set list. */
import type { CueActionOf } from "../../api/types";
import { PartSelect } from "../../layout/PartSelect";
import { EditField } from "../../ui/EditField";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import type { FieldsOf } from "./fields";

const PART = { className: "col-span-2", none: "not chosen yet" };

export function LookFields({ action, set }: FieldsOf<"look">) {
  return (
    <PartSelect
      {...PART}
      label="Look"
      kind="look"
      value={action.look}
      set={(look) => set("look", { look })}
    />
  );
}

export function PageFields({ action, set }: FieldsOf<"page">) {
  return (
    <>
      <PartSelect
        {...PART}
        label="Page"
        kind="page"
        value={action.page}
        set={(page) => set("page", { page })}
      />
      <EditField
        className="col-span-2"
        label="For, by name; empty: all that follow"
        value={action.people.join(", ")}
        onCommit={(text) =>
          set("people", {
            people: text
              .split(",")
              .map((name) => name.trim())
              .filter(Boolean),
          })
        }
      />
    </>
  );
}

export function StartFields({ action, set }: FieldsOf<"start">) {
  return (
    <PartSelect
      {...PART}
      label="Target"
      kind="target"
      value={action.target}
      set={(target) => set("target", { target })}
    />
  );
}

export function HoldFields({ action, set }: FieldsOf<"hold">) {
  return (
    <>
      <PartSelect
        {...PART}
        label="Target"
        kind="target"
        value={action.target}
        set={(target) => set("target", { target })}
      />
      <Select
        className="col-span-2"
        label="It is"
        value={action.hold ? "hold" : "open"}
        onChange={(to) => void report(set("hold", { hold: to === "hold" }))}
        options={[
          { value: "hold", text: "held: nothing leaves" },
          { value: "open", text: "let go" },
        ]}
      />
    </>
  );
}

const LIST_DEEDS: { value: CueActionOf<"list">["deed"]; text: string }[] = [
  { value: "GO", text: "go" },
  { value: "PAUSE", text: "pause" },
  { value: "RESUME", text: "resume" },
  { value: "STOP", text: "stop" },
  { value: "RESET", text: "reset" },
];

export function SteerListFields({ action, set }: FieldsOf<"list">) {
  return (
    <>
      <PartSelect
        {...PART}
        label="List"
        kind="cueList"
        value={action.list}
        set={(list) => set("list", { list })}
      />
      <Select
        className="col-span-2"
        label="Order"
        value={action.deed}
        onChange={(deed) => void report(set("deed", { deed }))}
        options={LIST_DEEDS}
      />
    </>
  );
}

const TRACK_DEEDS: { value: CueActionOf<"track">["deed"]; text: string }[] = [
  { value: "PLAY", text: "play" },
  { value: "PAUSE", text: "pause" },
  { value: "PLACE", text: "go to the start, or to a mark" },
  { value: "LOOP", text: "loop a section" },
  { value: "LEAVE", text: "leave the loop at its end" },
];

export function SteerTrackFields({ action, set }: FieldsOf<"track">) {
  return (
    <>
      <PartSelect
        {...PART}
        label="Track"
        kind="track"
        value={action.track}
        set={(track) => set("track", { track, mark: null })}
      />
      <Select
        className="col-span-2"
        label="Order"
        value={action.deed}
        onChange={(deed) => void report(set("deed", { deed }))}
        options={TRACK_DEEDS}
      />
      {(action.deed === "PLACE" || action.deed === "LOOP") && action.track && (
        <PartSelect
          {...PART}
          label={action.deed === "LOOP" ? "Section" : "Mark"}
          kind="trackMark"
          inside={action.track}
          value={action.mark}
          set={(mark) => set("mark", { mark })}
        />
      )}
    </>
  );
}

const SONG_DEEDS: { value: CueActionOf<"songs">["deed"]; text: string }[] = [
  { value: "NEXT", text: "make the next song ready" },
  { value: "PREVIOUS", text: "make the one before ready" },
  { value: "READY", text: "make one song ready" },
  { value: "ON_AIR", text: "put the one that is ready on air" },
];

export function SteerSongsFields({ action, set }: FieldsOf<"songs">) {
  return (
    <>
      <PartSelect
        {...PART}
        label="Set list"
        kind="setList"
        value={action.set}
        set={(list) => set("set", { set: list, song: null })}
      />
      <Select
        className="col-span-2"
        label="Order"
        value={action.deed}
        onChange={(deed) => void report(set("deed", { deed }))}
        options={SONG_DEEDS}
      />
      {action.deed === "READY" && action.set && (
        <PartSelect
          {...PART}
          label="Song"
          kind="song"
          inside={action.set}
          value={action.song}
          set={(song) => set("song", { song })}
        />
      )}
    </>
  );
}
