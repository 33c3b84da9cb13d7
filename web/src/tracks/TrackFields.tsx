import { Download, FileMusic, Trash2, Unlink, Upload } from "lucide-react";
import { useRef, useState } from "react";
import type { CueList, Problem, TimeFrom, Track } from "../api/types";
import { positionAt } from "../live/position";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { silence, useSound } from "../live/sound";
import { change, changeAll, remove } from "../requests/edits";
import { intoSections, markersAsCsv, tappedBeats } from "../requests/tracks";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { EditField } from "../ui/EditField";
import { Check, NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { MarkerImport } from "./MarkerImport";
import { TimeField } from "./TimeField";
import { LoadingLine } from "./LoadingLine";
import { useLoading } from "./useLoading";

const RATES: { value: Track["rate"]; text: string }[] = [
  { value: "FPS_24", text: "24" },
  { value: "FPS_25", text: "25" },
  { value: "FPS_29_97_DROP", text: "29.97 drop-frame" },
  { value: "FPS_29_97", text: "29.97 non-drop" },
  { value: "FPS_30", text: "30" },
];

const SOURCES: { value: TimeFrom["source"]; text: string }[] = [
  { value: "OWN", text: "this track: it is played here" },
  { value: "REPORTED", text: "a target that reports its position" },
  { value: "DAY", text: "the time of day" },
  { value: "NONE", text: "nothing: cues are fired by hand" },
];

const UNITS: { value: TimeFrom["unit"]; text: string }[] = [
  { value: "SECONDS", text: "in seconds" },
  { value: "FRAMES", text: "in frames" },
  { value: "TEXT", text: "as a text" },
];

/** The track itself: its sound, its beats, where its time comes from, its marks, and markers of other programs. */
export function TrackFields({ held, list }: { held: HeldOf<Track>; list: HeldOf<CueList> }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");
  const file = useRef<HTMLInputElement>(null);
  const [taps, setTaps] = useState<number[]>([]);
  const [importing, setImporting] = useState(false);
  const { load, cancel, words, problem } = useLoading();
  const put = (field: string, update: (before: Track) => Partial<Track>): Promise<Problem[]> =>
    of(
      field,
      change(`Change ${body.name}`, "track", id, (before) => ({ ...before, ...update(before) })),
    );
  const putFrom = (field: string, update: Partial<TimeFrom>) =>
    put(`from/${field}`, (before) => ({ from: { ...before.from, ...update } }));
  const take = async (chosen: File | undefined) => {
    const sound = chosen && (await load(chosen));
    // that it was missing is no longer so
    if (sound && useSound.getState().trouble) silence();
    if (sound)
      await report(
        put("sound", () => ({ seconds: sound.seconds!, sound: { hash: sound.hash, fileName: chosen.name } })),
      );
  };
  const tap = () => {
    const told = useShow.getState().tracks.get(id);
    // while it stands, the taps count among themselves
    const at = told?.state.rolling ? positionAt(told, performance.now()) : performance.now() / 1000;
    const next = [...taps, at];
    setTaps(next);
    void tappedBeats(next).then(({ beats }) => {
      if (!beats) return;
      const tempo = Math.round(beats.beatsPerMinute * 10) / 10;
      const first = told?.state.rolling ? Math.round(beats.firstBeat * 1000) / 1000 : null;
      void put("beats", (before) => ({
        beats: { beatsPerMinute: tempo, firstBeat: first ?? before.beats?.firstBeat ?? 0 },
      }));
    });
  };
  const putBeats = (field: string, update: Partial<NonNullable<Track["beats"]>>) =>
    put(`beats/${field}`, (before) => ({
      beats: { beatsPerMinute: 120, firstBeat: 0, ...before.beats, ...update },
    }));
  return (
    <section aria-label="The track" className="flex flex-col gap-3">
      <h2 className="text-lg font-bold">The track</h2>
      <div className="grid grid-cols-2 gap-2">
        <EditField label="Track name" value={body.name} onCommit={(name) => put("name", () => ({ name }))} />
        {body.sound ? (
          <p className="text-sm text-quiet">
            Sound
            <span className="block text-base text-bone [overflow-wrap:anywhere]">{body.sound.fileName}</span>
          </p>
        ) : (
          <TimeField
            label="Length"
            seconds={body.seconds}
            rate={body.rate}
            onCommit={(seconds) => put("seconds", () => ({ seconds }))}
          />
        )}
      </div>
      <input
        ref={file}
        type="file"
        aria-label="Sound file"
        className="sr-only"
        accept=".wav,.flac,.mp3,audio/wav,audio/flac,audio/mpeg"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      <div className="flex flex-wrap gap-2">
        <PushButton onClick={() => file.current?.click()} disabled={words !== null}>
          <FileMusic size={16} aria-hidden /> {body.sound ? "Another sound …" : "Load a sound …"}
        </PushButton>
        <PushButton onClick={() => setImporting(true)}>
          <Upload size={16} aria-hidden /> Import markers …
        </PushButton>
        <a
          className="inline-flex items-center gap-2 rounded border border-rule bg-raised px-3 py-1.5"
          href={markersAsCsv(id)}
          download
        >
          <Download size={16} aria-hidden /> Markers as CSV
        </a>
      </div>
      {words && <LoadingLine words={words} cancel={cancel} />}
      {problem && (
        <p role="alert" className="text-fault">
          {problem}
        </p>
      )}
      {importing && <MarkerImport track={held} list={list} onClose={() => setImporting(false)} />}
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
        <NumberField
          label="Beats a minute"
          value={body.beats?.beatsPerMinute ?? 0}
          onCommit={(beatsPerMinute) => putBeats("beatsPerMinute", { beatsPerMinute })}
        />
        <NumberField
          label="First beat at, s"
          value={body.beats?.firstBeat ?? 0}
          onCommit={(firstBeat) => putBeats("firstBeat", { firstBeat })}
        />
        <PushButton className="min-h-11" onClick={tap}>
          Tap the beat
        </PushButton>
        <Select
          label="Frames a second"
          value={body.rate}
          onChange={(rate) => void report(put("rate", () => ({ rate })))}
          options={RATES}
        />
        <NumberField
          label="A hand is late by, s"
          value={body.reaction}
          onCommit={(reaction) => put("reaction", () => ({ reaction }))}
        />
      </div>
      <Select
        label="Its time comes from"
        value={body.from.source}
        onChange={(source) => void report(putFrom("source", { source }))}
        options={SOURCES}
      />
      {body.from.source === "REPORTED" && (
        <div className="grid grid-cols-2 gap-2" role="group" aria-label="Reported position">
          <Select
            label="Target"
            value={body.from.target ?? ""}
            onChange={(target) => void report(putFrom("target", { target }))}
            options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
          />
          <EditField
            label="On the address"
            mono
            value={body.from.address}
            onCommit={(address) => putFrom("address", { address })}
          />
          <NumberField
            label="Argument, from 0"
            whole
            value={body.from.argument}
            onCommit={(argument) => putFrom("argument", { argument })}
          />
          <Select
            label="Tells it"
            value={body.from.unit}
            onChange={(unit) => void report(putFrom("unit", { unit }))}
            options={UNITS}
          />
          <NumberField
            label="A jump is off by, s"
            value={body.from.tolerance}
            onCommit={(tolerance) => putFrom("tolerance", { tolerance })}
          />
          <NumberField
            label="Goes on without reports, s"
            value={body.from.freewheel}
            onCommit={(freewheel) => putFrom("freewheel", { freewheel })}
          />
        </div>
      )}
      <Check
        label="A jump ahead fires the cues between"
        checked={body.passesJumps}
        onChange={(passesJumps) => void report(put("passesJumps", () => ({ passesJumps })))}
      />
      <Marks track={held} />
      <div className="flex flex-wrap gap-2">
        <PushButton
          onClick={() =>
            void report(
              change(`Take ${list.part.body.name} off its track`, "cueList", list.part.id, (before) => ({
                ...before,
                track: null,
              })),
            )
          }
        >
          <Unlink size={16} aria-hidden /> Take the list off it
        </PushButton>
        <Confirm
          title={`Remove ${body.name}?`}
          text="The track goes with its marks. Its cues stay, and are fired by hand. Undo brings it back."
          action="Remove the track"
          onConfirm={() => void report(remove(`Remove ${body.name}`, id))}
        >
          <PushButton>
            <Trash2 size={16} aria-hidden /> Remove this track
          </PushButton>
        </Confirm>
      </div>
    </section>
  );
}

/** The marks of a track; one with a length is a section. */
function Marks({ track }: { track: HeldOf<Track> }) {
  const marks = [
    ...partsOf(
      useShow((s) => s.parts),
      "trackMark",
      track.part.id,
    ),
  ].sort((a, b) => a.part.body.at - b.part.body.at);
  const { rate } = track.part.body;
  return (
    <section aria-label="Marks" className="flex flex-col gap-2">
      <div className="flex items-center gap-2">
        <h3 className="mr-auto font-bold">Marks and sections</h3>
        {marks.length > 0 && (
          <PushButton onClick={() => void report(intoSections(track.part.id))}>
            Sections up to the next mark
          </PushButton>
        )}
      </div>
      {marks.length === 0 && (
        <p className="text-quiet">
          No mark yet. Press M while it plays, or import markers. One with a length is a section that can be
          looped.
        </p>
      )}
      {marks.map(({ part }) => (
        <div
          key={part.id}
          role="group"
          aria-label={`Mark ${part.body.name}`}
          className="grid grid-cols-[1fr_7rem_7rem_auto] items-end gap-1.5"
        >
          <EditField
            label="Mark"
            value={part.body.name}
            onCommit={(name) =>
              changeAll(`Name a mark`, "trackMark", [part.id], (before) => ({ ...before, name }))
            }
          />
          <TimeField
            label="At"
            seconds={part.body.at}
            rate={rate}
            onCommit={(at) =>
              of(
                "at",
                change("Move a mark", "trackMark", part.id, (before) => ({ ...before, at })),
              )
            }
          />
          <TimeField
            label="Length"
            seconds={part.body.length}
            rate={rate}
            onCommit={(length) =>
              of(
                "length",
                change("Change a section", "trackMark", part.id, (before) => ({ ...before, length })),
              )
            }
          />
          <PushButton
            className="min-h-9 px-2"
            aria-label={`Remove mark ${part.body.name}`}
            onClick={() => void report(remove(`Remove mark ${part.body.name}`, part.id))}
          >
            <Trash2 size={16} aria-hidden />
          </PushButton>
        </div>
      ))}
    </section>
  );
}
