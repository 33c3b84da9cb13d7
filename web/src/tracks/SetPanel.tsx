import { ListPlus, Plus, Radio, SkipBack, SkipForward } from "lucide-react";
import type { SetList, Song } from "../api/types";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { edit } from "../requests/edits";
import { stepSongs } from "../requests/tracks";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";

interface Props {
  sets: HeldOf<SetList>[];
  set: HeldOf<SetList> | undefined;
  chooseSet: (set: string) => void;
  editing: boolean;
  /** The song or set list that is being changed. */
  chosen: string | null;
  choose: (part: string | null) => void;
  /** Shows the cue list of a song. */
  open: (list: string) => void;
}

export const BLANK: Omit<Song, "name"> = {
  kind: "song",
  list: null,
  page: null,
  ready: [],
  onAir: [],
  note: "",
};

/** A set list beside the cues: which song is ready, which is on air, and the two orders between them. */
export function SetPanel({ sets, set, chooseSet, editing, chosen, choose, open }: Props) {
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const state = useShow((s) => s.sets.get(set?.part.id ?? ""));
  const songs = set ? partsOf(parts, "song", set.part.id) : [];
  const ready = songs.find((s) => s.part.id === state?.ready);

  const addSet = async () => {
    const id = crypto.randomUUID();
    const body: SetList = {
      kind: "setList",
      name: `Set list ${sets.length + 1}`,
      next: null,
      onAir: null,
      note: "",
    };
    const problems = await report(
      edit("Add a set list", [
        { step: "put", basedOn: 0, part: { id, parent: null, order: sets.length + 1, body } },
        {
          step: "put",
          basedOn: 0,
          // a blank song is somewhere safe to stand at
          part: { id: crypto.randomUUID(), parent: id, order: 1, body: { ...BLANK, name: "Blank" } },
        },
      ]),
    );
    if (problems.length === 0) chooseSet(id);
  };
  const addSong = async () => {
    const id = crypto.randomUUID();
    const name = `Song ${songs.length + 1}`;
    const problems = await report(
      edit(`Add ${name}`, [
        {
          step: "put",
          basedOn: 0,
          part: { id, parent: set!.part.id, order: songs.length + 1, body: { ...BLANK, name } },
        },
      ]),
    );
    if (problems.length === 0) choose(id);
  };
  return (
    <aside
      aria-label="Set list"
      className="flex w-64 flex-none flex-col gap-2 overflow-auto border-r border-rule p-3 max-lg:max-h-56 max-lg:w-full max-lg:border-r-0 max-lg:border-b print:hidden"
    >
      {sets.length > 1 && set && (
        <Select
          hideLabel
          label="Which set list"
          value={set.part.id}
          onChange={chooseSet}
          options={sets.map((s) => ({ value: s.part.id, text: s.part.body.name }))}
        />
      )}
      {!set ? (
        <>
          <p className="text-quiet">
            No set list yet. It has songs, each with its cue list and its page: one is made ready, then put on
            air.
          </p>
          <PushButton strong onClick={() => void addSet()}>
            <ListPlus size={18} aria-hidden /> Add a set list
          </PushButton>
        </>
      ) : (
        <>
          <h2 className="text-lg font-bold">
            {editing ? (
              <button
                className="text-left"
                onClick={() => choose(set.part.id)}
                aria-label={`Edit ${set.part.body.name}`}
              >
                {set.part.body.name}
              </button>
            ) : (
              set.part.body.name
            )}
          </h2>
          {!editing && (
            <div className="grid grid-cols-2 gap-2">
              <PushButton
                className="min-h-14"
                disabled={!live}
                onClick={() => stepSongs(set.part.id, "PREVIOUS")}
              >
                <SkipBack size={18} aria-hidden /> Previous
              </PushButton>
              <PushButton
                className="min-h-14"
                disabled={!live || !state?.next}
                onClick={() => stepSongs(set.part.id, "NEXT")}
              >
                <SkipForward size={18} aria-hidden /> Next
              </PushButton>
              <PushButton
                strong
                className="col-span-2 min-h-16 text-lg"
                disabled={!live || !ready}
                onClick={() => stepSongs(set.part.id, "ON_AIR")}
              >
                <Radio size={22} aria-hidden /> {ready ? `${ready.part.body.name} on air` : "On air"}
              </PushButton>
            </div>
          )}
          <ol className="flex flex-col">
            {songs.map(({ part: { id, body } }, i) => {
              const isReady = state?.ready === id;
              const isOnAir = state?.onAir === id;
              const list = partOf(parts, "cueList", body.list);
              return (
                <li key={id} data-song={body.name} data-ready={isReady} data-on-air={isOnAir}>
                  <button
                    className={`flex min-h-12 w-full items-baseline gap-2 rounded px-2 py-2 text-left ${chosen === id && editing ? "bg-raised" : isOnAir ? "bg-panel" : ""}`}
                    aria-label={editing ? `Edit song ${body.name}` : `Make ${body.name} ready`}
                    disabled={!editing && !live}
                    onClick={() => {
                      if (list) open(list.part.id);
                      if (editing) choose(id);
                      else stepSongs(set.part.id, "READY", id);
                    }}
                  >
                    <span className="w-6 flex-none font-mono text-quiet">{i + 1}</span>
                    <span className={`min-w-0 flex-1 text-lg ${isOnAir || isReady ? "font-bold" : ""}`}>
                      {body.name}
                      <span className="block text-sm font-normal text-quiet">
                        {list ? list.part.body.name : "no cues: a safe place"}
                      </span>
                    </span>
                    {isOnAir && <span className="text-sm font-bold text-in">● on air</span>}
                    {isReady && <span className="text-sm font-bold text-caution">○ ready</span>}
                  </button>
                </li>
              );
            })}
          </ol>
          {editing && (
            <div className="flex flex-wrap gap-2">
              <PushButton onClick={() => void addSong()}>
                <Plus size={18} aria-hidden /> Add song
              </PushButton>
              <PushButton onClick={() => void addSet()}>
                <ListPlus size={18} aria-hidden /> Add a set list
              </PushButton>
            </div>
          )}
          {!editing && (
            <p className="text-sm text-quiet">
              Next makes a song ready: its page and its cues come up. On air starts it.
            </p>
          )}
          {!editing && <Fell set={set.part.id} />}
        </>
      )}
    </aside>
  );
}

/** What of the last event fell short, and why. */
function Fell({ set }: { set: string }) {
  const told = useShow((s) => s.cues.get(set));
  const fired = [...(told?.state.running ?? []), ...(told?.state.over ?? [])].sort(
    (a, b) => b.number - a.number,
  )[0];
  const fell = fired?.actions.filter((action) => action.why) ?? [];
  if (fell.length === 0) return null;
  return (
    <div role="alert" className="text-sm text-fault">
      {fired!.name}:
      <ul>
        {fell.map((action, i) => (
          <li key={i}>
            {action.why}. {action.mend}
          </li>
        ))}
      </ul>
    </div>
  );
}
