import { CopyCheck, Zap } from "lucide-react";
import { useState } from "react";
import type { Cue, CueAction, CueFollow, CueMark } from "../api/types";
import { FindingList } from "../findings/FindingLine";
import { useFindingsOf } from "../findings/findings";
import { type HeldOf, partOf, useShow } from "../live/show";
import { stepCues } from "../requests/cues";
import { change } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { Check, NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { TimeField } from "../tracks/TimeField";
import { ActionList } from "./ActionList";
import { PasteDialog } from "./PasteDialog";
import { lastTime } from "./results";

const FOLLOWS: { value: CueFollow["how"]; text: string }[] = [
  { value: "HAND", text: "by hand" },
  { value: "AFTER", text: "by itself, after a wait" },
  { value: "TOGETHER", text: "together with this one" },
  { value: "ANSWERED", text: "when all was answered" },
];

const SHADES: { value: CueMark["shade"]; text: string }[] = [
  { value: "NONE", text: "none" },
  { value: "BLUE", text: "blue" },
  { value: "GREEN", text: "green" },
  { value: "YELLOW", text: "yellow" },
  { value: "RED", text: "red" },
  { value: "VIOLET", text: "violet" },
];

const FIRST_WAIT = 2;

/** One cue: what it is called, what it does in order, and how the next one follows. */
export function CueEditor({ held, cues }: { held: HeldOf<Cue>; cues: HeldOf<Cue>[] }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const told = useShow((s) => s.cues.get(held.part.parent ?? ""));
  const fired = lastTime(told?.state, id);
  const put = (field: string, update: (before: Cue) => Partial<Cue>) =>
    of(
      field,
      change(`Change cue ${body.number}`, "cue", id, (before) => ({ ...before, ...update(before) })),
    );
  const putFollow = (update: Partial<CueFollow>) =>
    put("follow/seconds", (before) => ({ follow: { ...before.follow, ...update } }));
  const putMark = (update: Partial<CueMark>) =>
    put("mark/word", (before) => ({ mark: { ...before.mark, ...update } }));
  const putActions = (field: string, update: (before: CueAction[]) => CueAction[]) =>
    put(field, (before) => ({ actions: update(before.actions) }));
  const follow = (how: CueFollow["how"]) =>
    putFollow({
      how,
      seconds: how === "AFTER" || how === "ANSWERED" ? body.follow.seconds || FIRST_WAIT : 0,
    });

  const [pasting, setPasting] = useState(false);
  const list = partOf(parts, "cueList", held.part.parent);
  const track = partOf(parts, "track", list?.part.body.track)?.part.body;
  const findings = useFindingsOf(id);
  return (
    <section aria-label={`Cue ${body.number}`} className="flex flex-col gap-3">
      {findings.length > 0 && <FindingList findings={findings} label={`Findings of cue ${body.number}`} />}
      <div className="grid grid-cols-[6rem_1fr] gap-2">
        <EditField
          label="Number"
          mono
          value={body.number}
          onCommit={(number) => put("number", () => ({ number: number.trim() }))}
        />
        <EditField label="Name" value={body.name} onCommit={(name) => put("name", () => ({ name }))} />
        <Select
          label="Colour"
          value={body.mark.shade}
          onChange={(shade) =>
            void report(
              putMark({ shade, word: body.mark.word || (shade === "NONE" ? "" : shade.toLowerCase()) }),
            )
          }
          options={SHADES}
        />
        <EditField label="Its word" value={body.mark.word} onCommit={(word) => putMark({ word })} />
        <EditField
          className="col-span-2"
          label="Note for who says go"
          long
          value={body.note}
          onCommit={(note) => put("note", () => ({ note }))}
        />
      </div>
      {track && (
        <div className="grid grid-cols-2 items-end gap-2">
          <TimeField
            label={`On ${track.name} at`}
            seconds={body.at ?? 0}
            rate={track.rate}
            onCommit={(at) => put("at", () => ({ at }))}
          />
          {body.at === null ? (
            <p className="pb-1 text-sm text-quiet">By hand so far. Type a time.</p>
          ) : (
            <PushButton onClick={() => void report(put("at", () => ({ at: null })))}>
              Off the track
            </PushButton>
          )}
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <PushButton
          disabled={!live || body.actions.length === 0}
          onClick={() => stepCues(held.part.parent!, "FIRE", id)}
        >
          <Zap size={16} aria-hidden /> Test this cue
        </PushButton>
        <PushButton disabled={body.actions.length === 0 || cues.length < 2} onClick={() => setPasting(true)}>
          <CopyCheck size={16} aria-hidden /> Paste onto others …
        </PushButton>
        {fired && <span className={`self-center text-sm ${fired.look}`}>{fired.text}</span>}
      </div>
      {pasting && <PasteDialog from={held} cues={cues} onClose={() => setPasting(false)} />}
      <h2 className="text-lg font-bold">Does</h2>
      {body.actions.length === 0 && (
        <p className="text-quiet">
          Nothing yet. Add what it does; each action may begin a while after its go.
        </p>
      )}
      <ActionList actions={body.actions} put={putActions} />
      <h2 className="text-lg font-bold">The next cue</h2>
      <div className="grid grid-cols-2 gap-2">
        <Select
          label="Begins"
          value={body.follow.how}
          onChange={(how) => void report(follow(how))}
          options={FOLLOWS}
        />
        {(body.follow.how === "AFTER" || body.follow.how === "ANSWERED") && (
          <NumberField
            label={body.follow.how === "AFTER" ? "Seconds after this one began" : "Seconds at most"}
            value={body.follow.seconds}
            onCommit={(seconds) => putFollow({ seconds })}
          />
        )}
        {body.follow.how === "ANSWERED" && (
          <div className="col-span-2">
            <Check
              label="It begins then though not all was answered"
              checked={body.follow.goesOn}
              onChange={(goesOn) => void report(putFollow({ goesOn }))}
            />
          </div>
        )}
      </div>
    </section>
  );
}
