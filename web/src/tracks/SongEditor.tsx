import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import type { CueAction, Problem, SetList, Song } from "../api/types";
import { ActionList } from "../cues/ActionList";
import { FindingList } from "../findings/FindingLine";
import { useFindingsOf } from "../findings/findings";
import { OptionalCondition } from "../layout/ConditionFields";
import { inDraft } from "../live/laid";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { change, edit, remove } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";

const NONE = "none";

/** One song: its cue list, its page, and what it does besides when it is made ready and when it goes on air. */
export function SongEditor({ held }: { held: HeldOf<Song> }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const songs = partsOf(parts, "song", held.part.parent!);
  const findings = useFindingsOf(id);
  const at = songs.findIndex((s) => s.part.id === id);
  const put = (field: string, update: (before: Song) => Partial<Song>): Promise<Problem[]> =>
    of(
      field,
      change(`Change ${body.name}`, "song", id, (before) => ({ ...before, ...update(before) })),
    );
  const swap = (other: HeldOf<Song> | undefined) =>
    other &&
    report(
      edit(`Move ${body.name}`, [
        { step: "put", basedOn: held.version, part: { ...held.part, order: other.part.order } },
        { step: "put", basedOn: other.version, part: { ...other.part, order: held.part.order } },
      ]),
    );
  const pages = partsOf(parts, "page").filter((p) => !p.part.body.strip && !inDraft(parts, p.part.id));
  const choice = (
    label: string,
    value: string | null,
    all: { id: string; name: string }[],
    set: (id: string | null) => Partial<Song>,
  ) => (
    <Select
      label={label}
      value={value && parts.has(value) ? value : NONE}
      onChange={(to) => void report(put("", () => set(to === NONE ? null : to)))}
      options={[{ value: NONE, text: "none" }, ...all.map((each) => ({ value: each.id, text: each.name }))]}
    />
  );
  return (
    <section aria-label={`Song ${body.name}`} className="flex flex-col gap-3">
      {findings.length > 0 && <FindingList findings={findings} label={`Findings of ${body.name}`} />}
      <div className="flex items-end gap-2">
        <EditField
          className="flex-1"
          label="Song"
          value={body.name}
          onCommit={(name) => put("name", () => ({ name }))}
        />
        <PushButton aria-label="Earlier" disabled={at <= 0} onClick={() => void swap(songs[at - 1])}>
          <ArrowUp size={16} aria-hidden />
        </PushButton>
        <PushButton
          aria-label="Later"
          disabled={at >= songs.length - 1}
          onClick={() => void swap(songs[at + 1])}
        >
          <ArrowDown size={16} aria-hidden />
        </PushButton>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {choice(
          "Its cue list",
          body.list,
          partsOf(parts, "cueList").map((l) => ({ id: l.part.id, name: l.part.body.name })),
          (list) => ({ list }),
        )}
        {choice(
          "Its page",
          body.page,
          pages.map((p) => ({ id: p.part.id, name: p.part.body.name })),
          (page) => ({ page }),
        )}
      </div>
      <EditField label="Note" long value={body.note} onCommit={(note) => put("note", () => ({ note }))} />
      {(["ready", "onAir"] as const).map((event) => (
        <section
          key={event}
          aria-label={event === "ready" ? "When made ready" : "When on air"}
          className="flex flex-col gap-2"
        >
          <h2 className="text-lg font-bold">
            {event === "ready" ? "When it is made ready" : "When it goes on air"}
          </h2>
          <p className="text-sm text-quiet">
            {event === "ready"
              ? "Its page comes up, and its cues and its track stand at their start. Besides:"
              : "What was on air before stops. Its track plays, or its cue list begins. Besides:"}
          </p>
          <ActionList
            actions={body[event]}
            field={event}
            label={event === "ready" ? "Add to ready" : "Add to on air"}
            put={(field, update) =>
              put(field, (before) => ({ [event]: update(before[event] as CueAction[]) }))
            }
          />
        </section>
      ))}
      <Confirm
        title={`Remove ${body.name}?`}
        text="The song leaves the set list; its cues, its track and its page stay. Undo brings it back."
        action="Remove the song"
        onConfirm={() => void report(remove(`Remove ${body.name}`, id))}
      >
        <PushButton className="self-start">
          <Trash2 size={16} aria-hidden /> Remove this song
        </PushButton>
      </Confirm>
    </section>
  );
}

/** The set list itself: its name, and the keys of a target that step it. */
export function SetFields({ held }: { held: HeldOf<SetList> }) {
  const { id, body } = held.part;
  const put = (field: string, update: (before: SetList) => Partial<SetList>) =>
    of(
      field,
      change(`Change ${body.name}`, "setList", id, (before) => ({ ...before, ...update(before) })),
    );
  return (
    <section aria-label="The set list" className="flex flex-col gap-3">
      <EditField
        label="Name of the set list"
        value={body.name}
        onCommit={(name) => put("name", () => ({ name }))}
      />
      <EditField label="Note" long value={body.note} onCommit={(note) => put("note", () => ({ note }))} />
      {(["next", "onAir"] as const).map((key) => (
        <OptionalCondition
          key={key}
          called={`${key} by a target`}
          label={key === "next" ? "Next song ready when a target says so" : "On air when a target says so"}
          when={body[key]}
          field={key}
          put={(field, update) => put(field, (before) => ({ [key]: update(before[key]) }))}
        />
      ))}
      <Confirm
        title={`Remove ${body.name}?`}
        text="The set list goes with its songs; their cues, tracks and pages stay. Undo brings them back."
        action="Remove the set list"
        onConfirm={() => void report(remove(`Remove ${body.name}`, id))}
      >
        <PushButton className="self-start">
          <Trash2 size={16} aria-hidden /> Remove this set list
        </PushButton>
      </Confirm>
    </section>
  );
}
