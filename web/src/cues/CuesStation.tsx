import { FlaskConical, ListMusic, ListPlus, Pencil, Play } from "lucide-react";
import { useEffect, useState } from "react";
import { NavLink, useNavigate, useParams, useSearchParams } from "react-router";
import { create } from "zustand";
import type { CueList } from "../api/types";
import { partOf, partsOf, useShow } from "../live/show";
import { edit } from "../requests/edits";
import { insertCue } from "../requests/cues";
import { SetPanel } from "../tracks/SetPanel";
import { SetFields, SongEditor } from "../tracks/SongEditor";
import { TrackFields } from "../tracks/TrackFields";
import { TrackPanel } from "../tracks/TrackPanel";
import { TrackStart } from "../tracks/TrackStart";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { CueEditor } from "./CueEditor";
import { CueTable } from "./CueTable";
import { cuesOf } from "./describe";
import { GoPanel } from "./GoPanel";
import { ListFields } from "./ListFields";
import { LooksPanel } from "./LooksPanel";
import { TrialPanel } from "./TrialPanel";
import "./cues.css";

type Mode = "play" | "edit" | "trial";

/** Whether the set list is shown; it stays so for whoever comes back. */
const useBeside = create<{ beside: boolean; showBeside: (beside: boolean) => void }>()((set) => ({
  beside: false,
  showBeside: (beside) => set({ beside }),
}));

/** The cue lists: stepped through in Play, changed in Edit, so that nobody hits go while typing. */
export function CuesStation() {
  const parts = useShow((s) => s.parts);
  const lists = partsOf(parts, "cueList");
  const { list: wanted } = useParams();
  const navigate = useNavigate();
  // who was led here to change a cue or a song finds its fields open
  const asked = useSearchParams()[0].get("part");
  const askedSong = partOf(parts, "song", asked);
  const [mode, setMode] = useState<Mode>(asked ? "edit" : "play");
  const editing = mode === "edit";
  const [chosen, setChosen] = useState<string | null>(asked);
  const list = lists.find((l) => l.part.id === wanted) ?? lists[0];
  const track = partOf(parts, "track", list?.part.body.track);
  const sets = partsOf(parts, "setList");
  const [setWanted, chooseSet] = useState<string | null>(askedSong?.part.parent ?? null);
  const set = sets.find((s) => s.part.id === setWanted) ?? sets[0];
  const { beside, showBeside } = useBeside();
  const isSongAsked = askedSong !== undefined;
  useEffect(() => {
    if (isSongAsked) showBeside(true);
  }, [isSongAsked, showBeside]);
  const open = (id: string) => {
    setChosen(null);
    void navigate(`/cues/${id}`);
  };

  // the song that is made ready opens its cue list, whoever made it so
  const ready = useShow((s) => s.sets.get(set?.part.id ?? "")?.ready ?? null);
  const readyList = partOf(parts, "song", ready)?.part.body.list ?? null;
  useEffect(() => {
    if (readyList && mode === "play") void navigate(`/cues/${readyList}`);
    // only when another song is made ready; who looks elsewhere since then stays there
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ready]);

  const add = async () => {
    const id = crypto.randomUUID();
    const body: CueList = {
      kind: "cueList",
      name: `List ${lists.length + 1}`,
      guardSeconds: 0.3,
      go: null,
      back: null,
      track: null,
      note: "",
    };
    const part = { id, parent: null, order: lists.length + 1, body };
    const from = location.href;
    const problems = await report(edit("Add a cue list", [{ step: "put", basedOn: 0, part }]));
    if (problems.length > 0) return;
    // a list begins with a cue that does nothing
    await report(insertCue(id, null, crypto.randomUUID()));
    // who has gone on meanwhile is not taken away from there
    if (location.href !== from) return;
    // what is done next is meant for the new list, and not for the one before
    void navigate(`/cues/${id}`, { flushSync: true });
    setMode("edit");
  };

  const cues = list ? cuesOf(parts, list.part.id) : [];
  const cue = cues.find((c) => c.part.id === chosen);
  const song = partOf(parts, "song", chosen);
  return (
    <main className="flex min-h-0 min-w-0 flex-1 flex-col">
      <header className="flex flex-wrap items-center gap-2 border-b border-rule px-4 py-2 max-md:px-2 print:hidden">
        <h1 className="sr-only">Cues</h1>
        <nav aria-label="Cue lists" className="mr-auto flex min-w-0 gap-1 overflow-x-auto">
          {lists.map((l) => (
            <NavLink
              key={l.part.id}
              to={`/cues/${l.part.id}`}
              className={`min-h-11 rounded px-4 py-2 text-lg font-bold whitespace-nowrap ${l === list ? "bg-raised" : "text-quiet"}`}
            >
              {l.part.body.name}
            </NavLink>
          ))}
        </nav>
        <PushButton onClick={() => void add()}>
          <ListPlus size={18} aria-hidden /> Add list
        </PushButton>
        <PushButton aria-pressed={beside} onClick={() => showBeside(!beside)}>
          <ListMusic size={18} aria-hidden /> Set list
        </PushButton>
        {list && (
          <div role="group" aria-label="Mode" className="flex overflow-hidden rounded border border-rule">
            {[
              { is: "play" as const, text: "Play", Icon: Play },
              { is: "edit" as const, text: "Edit", Icon: Pencil },
              { is: "trial" as const, text: "Trial", Icon: FlaskConical },
            ].map(({ is, text, Icon }) => (
              <button
                key={text}
                aria-pressed={mode === is}
                className={`flex min-h-11 items-center gap-2 px-4 max-sm:px-2 ${mode === is ? "bg-bone font-bold text-ink" : "bg-raised"}`}
                onClick={() => setMode(is)}
              >
                <Icon size={18} aria-hidden /> {text}
              </button>
            ))}
          </div>
        )}
      </header>
      {!list ? (
        <p className="p-8 text-xl text-quiet">
          No cue list yet. Add one for what happens on <em>go</em>: messages, fades and looks, one after the
          other. It begins with a cue 0 that does nothing: a safe place to stand at.
        </p>
      ) : (
        <div className="flex min-h-0 flex-1 max-lg:flex-col">
          {beside && (
            <SetPanel
              sets={sets}
              set={set}
              chooseSet={chooseSet}
              editing={editing}
              chosen={chosen}
              choose={setChosen}
              open={open}
            />
          )}
          <div
            // on a phone a track and its cues do not fit together: they are scrolled
            className={`flex min-h-0 min-w-0 flex-1 flex-col ${track ? "max-lg:overflow-auto" : ""}`}
          >
            {track ? (
              <TrackPanel
                key={track.part.id}
                track={track}
                list={list}
                cues={cues}
                editing={editing}
                chosen={chosen}
                choose={setChosen}
              />
            ) : (
              editing && <TrackStart key={list.part.id} list={list} />
            )}
            <div
              className={`flex min-w-0 flex-1 max-lg:flex-col ${track ? "min-h-0 max-lg:min-h-[38rem]" : "min-h-0"}`}
            >
              <CueTable
                key={list.part.id}
                list={list}
                cues={cues}
                editing={editing}
                chosen={cue?.part.id ?? null}
                choose={setChosen}
              />
              {editing ? (
                <aside className="w-[34rem] print:hidden flex-none overflow-auto border-l border-rule p-3 max-lg:w-full max-lg:flex-1">
                  {cue ? (
                    <CueEditor key={cue.part.id} held={cue} cues={cues} />
                  ) : song ? (
                    <SongEditor key={song.part.id} held={song} />
                  ) : chosen !== null && chosen === set?.part.id ? (
                    <SetFields key={set.part.id} held={set} />
                  ) : (
                    <div className="flex flex-col gap-5">
                      {track && <TrackFields key={track.part.id} held={track} list={list} />}
                      <ListFields held={list} />
                      <LooksPanel />
                    </div>
                  )}
                </aside>
              ) : mode === "play" ? (
                <GoPanel list={list} cues={cues} />
              ) : (
                <TrialPanel key={list.part.id} list={list} />
              )}
            </div>
          </div>
        </div>
      )}
    </main>
  );
}
