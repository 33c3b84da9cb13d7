import { Hourglass, Music } from "lucide-react";
import { useRef } from "react";
import type { CueList, Problem, Track } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { edit } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { LoadingLine } from "./LoadingLine";
import { useLoading } from "./useLoading";

const NOTHING = "nothing";
const FIRST_S = 60;

export const SILENT: Omit<Track, "name"> = {
  kind: "track",
  sound: null,
  seconds: FIRST_S,
  beats: null,
  rate: "FPS_25",
  reaction: 0.15,
  from: {
    source: "OWN",
    target: null,
    address: "",
    argument: 0,
    unit: "SECONDS",
    tolerance: 0.1,
    freewheel: 2,
  },
  passesJumps: false,
  note: "",
};

/** A list that lies on no track yet: a song is loaded for it, or it gets a stretch of silence, or another list's track. */
export function TrackStart({ list }: { list: HeldOf<CueList> }) {
  const parts = useShow((s) => s.parts);
  const tracks = partsOf(parts, "track");
  const file = useRef<HTMLInputElement>(null);
  const { load, cancel, words, problem } = useLoading();

  const lay = (title: string, track: Track | null, id: string): Promise<Problem[]> =>
    report(
      edit(title, [
        ...(track
          ? [
              {
                step: "put" as const,
                basedOn: 0,
                part: { id, parent: null, order: tracks.length + 1, body: track },
              },
            ]
          : []),
        {
          step: "put" as const,
          basedOn: list.version,
          part: { ...list.part, body: { ...list.part.body, track: id } },
        },
      ]),
    );
  const take = async (chosen: File | undefined) => {
    const sound = chosen && (await load(chosen));
    if (!sound) return;
    const name = chosen.name.replace(/\.[^.]*$/, "").slice(0, 80) || "Song";
    const track = {
      ...SILENT,
      name,
      seconds: sound.seconds!,
      sound: { hash: sound.hash, fileName: chosen.name },
    };
    await lay(`Load ${name}`, track, crypto.randomUUID());
  };
  return (
    <section
      aria-label="Track"
      className="flex flex-none flex-wrap items-center gap-2 border-b border-rule px-4 py-2 max-md:px-2 print:hidden"
    >
      <p className="mr-auto text-quiet">This list is fired by hand. Let it follow a song, or a clock:</p>
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
      <PushButton onClick={() => file.current?.click()} disabled={words !== null}>
        <Music size={18} aria-hidden /> Load a song …
      </PushButton>
      <PushButton
        onClick={() =>
          void lay("Add a track", { ...SILENT, name: `Track ${tracks.length + 1}` }, crypto.randomUUID())
        }
      >
        <Hourglass size={18} aria-hidden /> A minute of silence
      </PushButton>
      {tracks.length > 0 && (
        <Select
          hideLabel
          label="A track that is there"
          className="w-48"
          value={NOTHING}
          onChange={(id) => id !== NOTHING && void lay("Lay it on a track", null, id)}
          options={[
            { value: NOTHING, text: "A track that is there …" },
            ...tracks.map((t) => ({ value: t.part.id, text: t.part.body.name })),
          ]}
        />
      )}
      {words && <LoadingLine words={words} cancel={cancel} />}
      {problem && (
        <p role="alert" className="w-full text-fault">
          {problem}
        </p>
      )}
    </section>
  );
}
