import {
  Flag,
  ListPlus,
  LogOut,
  Pause,
  Play,
  ShieldCheck,
  ShieldOff,
  SkipBack,
  Volume2,
  VolumeX,
  ZoomIn,
  ZoomOut,
} from "lucide-react";
import { useEffect, useState } from "react";
import type { Cue, CueList, Track, TrackState } from "../api/types";
import { browser } from "../live/browser";
import { clock, positionAt } from "../live/position";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { playHere, silence, useSound } from "../live/sound";
import { type By, drop, nudge, soundFile, stepTrack } from "../requests/tracks";
import { PushButton } from "../ui/buttons";
import { isMeantElsewhere } from "../ui/keys";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { Lane } from "./Lane";
import { usePosition } from "./usePosition";
import { type View, zoomed } from "./wave";
import "./tracks.css";

interface Props {
  track: HeldOf<Track>;
  list: HeldOf<CueList>;
  cues: HeldOf<Cue>[];
  editing: boolean;
  chosen: string | null;
  choose: (part: string | null) => void;
}

const DAY_S = 86_400;
const NOWHERE = "nowhere";

/** The track on which a list lies: it is played and placed, and cues and marks are dropped and moved on it. */
export function TrackPanel({ track, list, cues, editing, chosen, choose }: Props) {
  const { id, body } = track.part;
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const told = useShow((s) => s.tracks.get(id));
  const length = body.from.source === "DAY" ? DAY_S : body.seconds;
  const [view, look] = useState<View>({ from: 0, to: length });
  const fitted = view.to <= length ? view : { from: 0, to: length };
  const marks = partsOf(parts, "trackMark", id);
  const timed = cues.filter((c) => c.part.body.at !== null);
  const state = told?.state;
  const own = body.from.source === "OWN";
  const here = () => {
    const now = useShow.getState().tracks.get(id);
    return now ? positionAt(now, performance.now(), length) : 0;
  };
  const add = (asCue: boolean) => {
    const part = crypto.randomUUID();
    const at = here();
    const rolling = useShow.getState().tracks.get(id)?.state.rolling ?? false;
    void report(drop(id, asCue ? list.part.id : null, at, rolling, part)).then(
      (problems) => problems.length === 0 && choose(part),
    );
  };

  useEffect(() => {
    if (!editing) return;
    const onKey = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e) || e.ctrlKey || e.metaKey) return;
      const act = keys[e.key.length === 1 ? e.key.toLowerCase() : e.key];
      if (!act || (e.repeat && !e.key.startsWith("Arrow"))) return;
      e.preventDefault();
      (document.activeElement as HTMLElement | null)?.blur();
      act(e);
    };
    const move = (sign: number) => (e: KeyboardEvent) => {
      if (!chosen) return;
      const by: By = e.shiftKey ? "BEAT" : e.altKey ? "MILLISECOND" : "FRAME";
      void report(nudge([chosen], by, sign));
    };
    const keys: Record<string, ((e: KeyboardEvent) => void) | undefined> = {
      " ": () => stepTrack(id, useShow.getState().tracks.get(id)?.state.rolling ? "PAUSE" : "PLAY"),
      c: () => add(true),
      m: () => add(false),
      Home: () => stepTrack(id, "PLACE", { seconds: 0 }),
      ArrowLeft: move(-1),
      ArrowRight: move(1),
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  const sections = marks.filter((m) => m.part.body.length > 0);
  const onTrack = timed.some((c) => c.part.id === chosen) || marks.some((m) => m.part.id === chosen);
  return (
    <section
      aria-label="Track"
      className="flex flex-none flex-col gap-2 border-b border-rule p-3 max-md:p-2 print:hidden"
    >
      <div className="flex flex-wrap items-center gap-2">
        <PushButton
          className="min-h-11"
          aria-label="To the start"
          disabled={!live || !own}
          onClick={() => stepTrack(id, "PLACE", { seconds: 0 })}
        >
          <SkipBack size={18} aria-hidden />
        </PushButton>
        <PushButton
          strong
          className="min-h-11 min-w-28"
          disabled={!live || !own}
          onClick={() => stepTrack(id, state?.rolling ? "PAUSE" : "PLAY")}
        >
          {state?.rolling ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
          {state?.rolling ? "Pause track" : "Play track"}
        </PushButton>
        <Where trackId={id} length={length} />
        {editing && (
          <>
            <PushButton className="min-h-11" disabled={!live} onClick={() => add(true)}>
              <ListPlus size={18} aria-hidden /> Drop cue
            </PushButton>
            <PushButton className="min-h-11" disabled={!live} onClick={() => add(false)}>
              <Flag size={18} aria-hidden /> Drop mark
            </PushButton>
          </>
        )}
        {(marks.length > 0 || state?.loop) && own && (
          <>
            <Select
              hideLabel
              label="Go to a mark"
              className="w-32"
              value={NOWHERE}
              onChange={(mark) => mark !== NOWHERE && stepTrack(id, "PLACE", { mark })}
              options={[
                { value: NOWHERE, text: "Go to …" },
                ...marks.map((m) => ({
                  value: m.part.id,
                  text: m.part.body.name || clock(m.part.body.at),
                })),
              ]}
            />
            {state?.loop ? (
              <PushButton strong className="min-h-11" onClick={() => stepTrack(id, "LEAVE")}>
                <LogOut size={18} aria-hidden /> Leave the loop
              </PushButton>
            ) : (
              sections.length > 0 && (
                <Select
                  hideLabel
                  label="Loop a section"
                  className="w-32"
                  value={NOWHERE}
                  onChange={(mark) => mark !== NOWHERE && stepTrack(id, "LOOP", { mark })}
                  options={[
                    { value: NOWHERE, text: "Loop …" },
                    ...sections.map((m) => ({ value: m.part.id, text: m.part.body.name })),
                  ]}
                />
              )
            )}
          </>
        )}
        <span className="ml-auto flex items-center gap-1">
          {body.from.source !== "NONE" && <Arm track={id} state={state} live={live} />}
          {body.sound && <Aloud track={track} state={state} live={live} />}
          <ZoomButton
            label="Nearer"
            Icon={ZoomIn}
            act={() => look(zoomed(fitted, 0.5, middle(fitted, here()), length))}
          />
          <ZoomButton
            label="Farther"
            Icon={ZoomOut}
            act={() => look(zoomed(fitted, 2, middle(fitted, here()), length))}
          />
        </span>
      </div>
      <Lane
        track={track}
        length={length}
        cues={timed}
        marks={marks}
        chosen={chosen}
        choose={choose}
        editing={editing}
        view={fitted}
        look={look}
      />
      <div className="flex flex-wrap items-center gap-2 text-sm empty:hidden">
        {editing && (
          <div
            className="flex min-w-0 flex-1 flex-wrap items-center gap-1"
            role="group"
            aria-label="Move on the track"
          >
            {onTrack && chosen ? (
              <>
                {NUDGES.map(({ text, by, count }) => (
                  <PushButton
                    key={text}
                    className="min-h-11"
                    disabled={(by === "BEAT" || by === "SNAP") && !body.beats}
                    onClick={() => void report(nudge([chosen], by, count))}
                  >
                    {text}
                  </PushButton>
                ))}
                {!body.beats && (
                  <span className="text-quiet">Beats: tap or type a tempo in “The track”.</span>
                )}
              </>
            ) : (
              <p className="text-quiet">
                Space: play. C: cue. M: mark. Arrows move what is chosen by a frame, with Shift by a beat,
                with Alt by a millisecond. Click the track to place it; drag its flags.
              </p>
            )}
          </div>
        )}
        <Standing track={track} state={state} />
      </div>
      {!live && <p className="text-sm text-quiet">This show is not the live one: its track stands still.</p>}
      {body.from.source === "NONE" && (
        <p className="text-sm text-quiet">
          This track has no clock: its cues are fired by hand. Choose one in “The track”.
        </p>
      )}
      {state && state.missed.length > 0 && (
        <section aria-label="Missed" className="text-caution">
          <p className="font-bold">Passed while it was not armed, and not fired:</p>
          <ul className="flex max-h-20 flex-wrap gap-x-4 overflow-auto font-mono text-sm">
            {state.missed.map((missed, i) => (
              <li key={i}>
                {clock(missed.seconds)} {partOf(parts, "cue", missed.cue)?.part.body.number}{" "}
                {partOf(parts, "cue", missed.cue)?.part.body.name}
              </li>
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}

const middle = (view: View, here: number) =>
  here >= view.from && here <= view.to ? here : (view.from + view.to) / 2;

const NUDGES: { text: string; by: By; count: number }[] = [
  { text: "− beat", by: "BEAT", count: -1 },
  { text: "− frame", by: "FRAME", count: -1 },
  { text: "− 1 ms", by: "MILLISECOND", count: -1 },
  { text: "+ 1 ms", by: "MILLISECOND", count: 1 },
  { text: "+ frame", by: "FRAME", count: 1 },
  { text: "+ beat", by: "BEAT", count: 1 },
  { text: "Snap to the beat", by: "SNAP", count: 0 },
];

/** Where it is, large. */
function Where({ trackId, length }: { trackId: string; length: number }) {
  const told = useShow((s) => s.tracks.get(trackId));
  const here = usePosition(told, length);
  return (
    <p className="flex items-baseline gap-2 px-2">
      <span className="min-w-36 font-mono text-2xl font-bold" data-position={here.toFixed(3)}>
        {clock(here)}
      </span>
      <span className="text-quiet max-md:hidden">of {clock(length, 0)}</span>
    </p>
  );
}

/** Whose clock it follows, and that nothing is fired where nobody has armed it. */
function Standing({ track, state }: { track: HeldOf<Track>; state: TrackState | undefined }) {
  const parts = useShow((s) => s.parts);
  const { body } = track.part;
  const { source } = body.from;
  if (source === "NONE" || !state) return null;
  const target = partOf(parts, "target", body.from.target)?.part.body.name ?? "its target";
  const words =
    source === "DAY"
      ? "It follows the time of day."
      : source === "REPORTED"
        ? state.heard
          ? `It follows ${target}.`
          : state.rolling
            ? `${target} is silent: it goes on by itself for a moment.`
            : `Nothing is heard from ${target}: no position comes on ${body.from.address || "its address"}.`
        : "";
  return (
    <>
      {words && (
        <span className={source === "REPORTED" && !state.heard ? "text-fault" : "text-in"}>{words}</span>
      )}
      {!state.armed && (
        <span className="font-bold text-caution">
          Not armed: it fires no cue. Arm it when the show may begin.
        </span>
      )}
    </>
  );
}

/** Whether what the track passes is fired. */
function Arm({ track, state, live }: { track: string; state: TrackState | undefined; live: boolean }) {
  if (!state) return null;
  return (
    <PushButton
      className="min-h-11"
      disabled={!live}
      aria-pressed={state.armed}
      data-armed={state.armed}
      strong={!state.armed}
      onClick={() => stepTrack(track, state.armed ? "DISARM" : "ARM")}
    >
      {state.armed ? <ShieldCheck size={18} aria-hidden /> : <ShieldOff size={18} aria-hidden />}
      {state.armed ? "Disarm" : "Arm"}
    </PushButton>
  );
}

/** Whether this device plays the sound, and how exactly it follows. */
function Aloud({
  track,
  state,
  live,
}: {
  track: HeldOf<Track>;
  state: TrackState | undefined;
  live: boolean;
}) {
  const sound = useSound();
  const { id, body } = track.part;
  const mine = sound.track === id;
  const plays = mine && !sound.trouble;
  const other = state?.speaker && state.speaker.browser !== browser.id ? state.speaker.name : null;
  const toggle = () => {
    if (plays) {
      silence();
      stepTrack(id, "SILENT");
    } else {
      stepTrack(id, "SPEAK");
      void playHere(id, soundFile(body.sound!.hash));
    }
  };
  return (
    <span className="flex items-center gap-2 text-sm">
      {sound.trouble && mine ? (
        <span role="alert" className="text-fault">
          {sound.trouble}
        </span>
      ) : (
        <span className="text-quiet" data-sound-off={mine ? (sound.offMs ?? "") : undefined}>
          {mine
            ? sound.loaded < 1
              ? `loading ${Math.round(sound.loaded * 100)} %`
              : sound.offMs === null
                ? "sounds here"
                : `sounds here, ${Math.abs(sound.offMs)} ms off`
            : other
              ? `sounds at ${other}’s`
              : ""}
        </span>
      )}
      <PushButton className="min-h-11" disabled={!live} aria-pressed={plays} onClick={toggle}>
        {plays ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />}
        {plays ? "Silence here" : "Sound here"}
      </PushButton>
    </span>
  );
}

function ZoomButton({ label, Icon, act }: { label: string; Icon: typeof ZoomIn; act: () => void }) {
  return (
    <PushButton className="min-h-11 min-w-11 px-2" aria-label={label} title={label} onClick={act}>
      <Icon size={18} aria-hidden />
    </PushButton>
  );
}
