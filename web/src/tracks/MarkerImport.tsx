import { useCallback, useState } from "react";
import type { CueList, Track } from "../api/types";
import { clock } from "../live/position";
import type { HeldOf } from "../live/show";
import { type As, previewMarkers, takeMarkers } from "../requests/tracks";
import { useLook } from "../requests/useLook";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";

interface Props {
  track: HeldOf<Track>;
  list: HeldOf<CueList>;
  onClose: () => void;
}

const MOST_MIB = 32;

/** Markers of a MIDI file, a WAV file or a table, looked at and then taken as cues or marks in one edit. */
export function MarkerImport({ track, list, onClose }: Props) {
  const [as, setAs] = useState<As>("CUES");
  const [from, setFrom] = useState<"file" | "sound">("file");
  const [file, setFile] = useState<File | null>(null);
  const to = as === "CUES" ? list.part.id : null;
  const tooLarge = file !== null && file.size > MOST_MIB * 1024 * 1024;
  const isChosen = from === "sound" || (file !== null && !tooLarge);
  // another file of the same name is another question
  const asked = isChosen ? `${as} ${from} ${file?.name} ${file?.size} ${file?.lastModified}` : null;
  const preview = useCallback(
    () => previewMarkers(track.part.id, as, to, from === "file" ? file : null),
    [track.part.id, as, to, from, file],
  );
  const look = useLook(asked, preview);
  const found = asked === null ? null : look.found;
  const trouble = look.trouble || (found?.problem ?? "");
  const count = found?.markers.length ?? 0;
  return (
    <WideDialog
      title={`Import markers onto ${track.part.body.name}`}
      action="Import"
      ready={look.current && trouble === "" && count > 0}
      act={() => takeMarkers(track.part.id, as, to, from === "file" ? file : null)}
      onClose={onClose}
    >
      <p className="text-sm text-quiet">
        Markers of a Standard MIDI File, cue points of a WAV file, or a table with the columns “time” and
        “name”: seconds such as 12.5, minutes such as 1:02.5, or frames such as 00:01:02:12 at the rate of the
        track.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Select
          label="They become"
          value={as}
          onChange={setAs}
          options={[
            { value: "CUES", text: `cues of ${list.part.body.name}` },
            { value: "MARKS", text: "marks of the track" },
          ]}
        />
        {track.part.body.sound && (
          <Select
            label="From"
            value={from}
            onChange={setFrom}
            options={[
              { value: "file", text: "a file" },
              { value: "sound", text: "the sound of the track" },
            ]}
          />
        )}
      </div>
      {from === "file" && (
        <input
          type="file"
          aria-label="Marker file"
          accept=".mid,.midi,.wav,.csv,.tsv,.txt"
          onChange={(e) => setFile(e.target.files?.[0] ?? null)}
        />
      )}
      {(tooLarge || trouble) && (
        <p role="alert" className="text-fault">
          {tooLarge
            ? `“${file.name}” has more than ${MOST_MIB} MiB: load it as the sound of the track, and import from that`
            : trouble}
        </p>
      )}
      {found && found.refusals.length > 0 && (
        <ul role="alert" aria-label="Left out" className="max-h-32 overflow-auto text-caution">
          {found.refusals.map((refusal, i) => (
            <li key={i}>{refusal}</li>
          ))}
        </ul>
      )}
      {found && found.problem === null && (
        <section aria-label="What comes in">
          <p className="text-quiet">{count === 0 ? "There is no marker in it." : `${count} markers:`}</p>
          <ul className="mt-1 max-h-64 overflow-auto">
            {found.markers.map((marker, i) => (
              <li key={i} className="flex gap-4">
                <span className="w-28 flex-none text-right font-mono">{clock(marker.seconds)}</span>
                <span className="min-w-0 [overflow-wrap:anywhere]">{marker.name || "—"}</span>
                {marker.length > 0 && <span className="text-quiet">{clock(marker.length)} long</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
    </WideDialog>
  );
}
