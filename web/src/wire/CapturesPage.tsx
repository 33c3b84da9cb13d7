import {
  Circle,
  Download,
  FlaskConical,
  FolderOpen,
  Pause,
  Play,
  SkipForward,
  Square,
  Trash2,
} from "lucide-react";
import { useId, useRef, useState } from "react";
import type { CaptureLine, CapturesView } from "../api/types";
import { useShow } from "../live/show";
import {
  captureAs,
  capturesOf,
  loadCapture,
  playbackTo,
  removeCapture,
  renameCapture,
  startRecording,
  stopRecording,
} from "../requests/captures";
import { useAgain } from "../requests/useAgain";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { EditField } from "../ui/EditField";
import { report } from "../ui/notices";
import { dayAndTime } from "../ui/time";
import { PlayDialog } from "./PlayDialog";
import { ReplayDialog } from "./ReplayDialog";

const AGAIN_MS = 500;

const size = (bytes: number) =>
  bytes < 1_000_000 ? `${(bytes / 1_000).toFixed(1)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
const packetsIn = (count: number) => `${count} ${count === 1 ? "packet" : "packets"}`;

/** What was recorded of the wire, what is being recorded, and what is being played. */
export function CapturesPage() {
  const live = useShow((s) => s.live);
  const [said, setSaid] = useState("");
  const [asks, setAsks] = useState(0);
  const [playing, setPlaying] = useState<CaptureLine | null>(null);
  const [trying, setTrying] = useState<CaptureLine | null>(null);
  const { found, trouble } = useAgain(asks, capturesOf, AGAIN_MS);
  const again = () => setAsks((n) => n + 1);

  const load = async (file: File | undefined) => {
    if (!file) return;
    setSaid(`Loading ${file.name} …`);
    const { problem, packets, passedOver } = await loadCapture(file);
    setSaid(
      problem
        ? `${file.name}: ${problem.message}`
        : `${file.name}: ${packetsIn(packets)}${passedOver > 0 ? `; ${passedOver} others are no UDP or TCP over IPv4, or not whole, and were passed over` : ""}`,
    );
    again();
  };

  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <Recording found={found} live={live} onChange={again} onLoad={(file) => void load(file)} />
      {said && (
        <p role="status" className="mb-2">
          {said}
        </p>
      )}
      {trouble && (
        <p role="alert" className="mb-2 text-fault">
          {trouble}
        </p>
      )}
      <Playback found={found} onChange={again} />
      {found?.captures.length === 0 && (
        <p className="p-4 text-lg text-quiet">
          No capture yet. Press Record, let the show run, press Stop: all packets of that time are kept here,
          can be played to a target, and opened in a network analyser.
        </p>
      )}
      <ul className="flex flex-col gap-2" aria-label="Captures">
        {found?.captures.map((capture) => (
          <li
            key={capture.id}
            data-capture={capture.name}
            className="flex flex-wrap items-end gap-x-3 gap-y-2 rounded-lg border border-rule bg-panel px-4 py-2"
          >
            <EditField
              label="Name"
              className="w-56"
              value={capture.name}
              onCommit={(name) => renameCapture(capture.id, name)}
            />
            <span className="py-1">{dayAndTime(new Date(capture.atMillis).toISOString())}</span>
            <span className="py-1">{packetsIn(capture.packets)}</span>
            <span className="mr-auto py-1 text-quiet">{size(capture.bytes)}</span>
            <PushButton disabled={!live || capture.packets === 0} onClick={() => setPlaying(capture)}>
              <Play size={16} aria-hidden /> Play to a target …
            </PushButton>
            <PushButton disabled={capture.packets === 0} onClick={() => setTrying(capture)}>
              <FlaskConical size={16} aria-hidden /> Try in this show …
            </PushButton>
            <Save href={captureAs(capture.id, "pcapng")} words="pcapng" />
            <Save href={captureAs(capture.id, "jsonl")} words="JSON lines" />
            <Confirm
              title={`Remove “${capture.name}”?`}
              text={`Its ${packetsIn(capture.packets)} are removed for good; undo does not bring them back.`}
              action="Remove"
              onConfirm={() => void removeCapture(capture.id).then(again, (e: Error) => setSaid(e.message))}
            >
              <PushButton aria-label={`Remove ${capture.name}`}>
                <Trash2 size={24} aria-hidden />
              </PushButton>
            </Confirm>
          </li>
        ))}
      </ul>
      {trying && <ReplayDialog capture={trying} onClose={() => setTrying(null)} />}
      {playing && <PlayDialog capture={playing} onClose={() => setPlaying(null)} />}
    </div>
  );
}

function Save({ href, words }: { href: string; words: string }) {
  return (
    <a
      href={href}
      download
      className="inline-flex items-center gap-2 rounded border border-rule bg-raised px-3 py-1.5 hover:border-bone"
    >
      <Download size={16} aria-hidden /> {words}
    </a>
  );
}

interface RecordingProps {
  found: CapturesView | null;
  live: boolean;
  onChange: () => void;
  onLoad: (file: File | undefined) => void;
}

function Recording({ found, live, onChange, onLoad }: RecordingProps) {
  const id = useId();
  const chosen = useRef<HTMLInputElement>(null);
  const [name, setName] = useState("");
  const recording = found?.recording ?? null;
  const start = async () => {
    const usual = `Recording of ${dayAndTime(new Date().toISOString())}`;
    await report(startRecording(name.trim() || usual));
    setName("");
    onChange();
  };
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      {recording?.runs ? (
        <>
          <PushButton strong onClick={() => void report(stopRecording()).then(onChange)}>
            <Square size={16} aria-hidden /> Stop recording
          </PushButton>
          <p role="status" className="flex items-center gap-3 py-1.5">
            <Circle size={14} className="fill-fault text-fault" aria-hidden />
            <b>Recording</b> {recording.name}: {recording.seconds} s, {packetsIn(recording.packets)},{" "}
            {size(recording.bytes)}
            {recording.lost > 0 && (
              <span className="text-fault">{recording.lost} came too fast and are missing</span>
            )}
          </p>
        </>
      ) : (
        <>
          <label htmlFor={id} className="text-sm text-quiet">
            Name
            <input
              id={id}
              className="block w-64 rounded border border-rule bg-ground px-2 py-1 text-base text-bone"
              value={name}
              placeholder="optional"
              onChange={(e) => setName(e.target.value)}
            />
          </label>
          <PushButton strong disabled={!live} onClick={() => void start()}>
            <Circle size={14} className="fill-fault text-fault" aria-hidden /> Record
          </PushButton>
          {!live && <p className="py-1.5 text-caution">This show is not live: there is nothing to record.</p>}
          {recording?.problem && (
            <p role="alert" className="py-1.5 text-fault">
              {recording.problem}
            </p>
          )}
        </>
      )}
      <span className="mr-auto" />
      <PushButton onClick={() => chosen.current?.click()}>
        <FolderOpen size={16} aria-hidden /> Load a capture …
      </PushButton>
      <input
        ref={chosen}
        type="file"
        aria-label="Capture file"
        accept=".pcapng,.pcap,.jsonl"
        className="hidden"
        onChange={(e) => {
          onLoad(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
    </div>
  );
}

/** What is being played, or was last. */
function Playback({ found, onChange }: { found: CapturesView | null; onChange: () => void }) {
  const now = found?.playback;
  if (!now) return null;
  const order = (what: "PAUSE" | "RESUME" | "STEP" | "STOP") => void report(playbackTo(what)).then(onChange);
  return (
    <section
      aria-label="Playback"
      className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-select px-4 py-2"
    >
      <span role="status">
        {now.runs ? (now.paused ? "Paused" : "Playing") : now.played < now.packets ? "Stopped" : "Played"}{" "}
        <b>{now.name}</b> to <b>{now.target}</b>: {now.played} of {now.packets}
      </span>
      <progress
        className="h-2 min-w-40 flex-1 accent-select"
        value={now.played}
        max={now.packets}
        aria-label="Played"
      />
      {now.problem && <span className="text-fault">{now.problem}</span>}
      {now.runs && (
        <>
          {now.paused ? (
            <PushButton onClick={() => order("RESUME")}>
              <Play size={16} aria-hidden /> Resume
            </PushButton>
          ) : (
            <PushButton onClick={() => order("PAUSE")}>
              <Pause size={16} aria-hidden /> Pause
            </PushButton>
          )}
          <PushButton onClick={() => order("STEP")}>
            <SkipForward size={16} aria-hidden /> Next packet
          </PushButton>
          <PushButton strong onClick={() => order("STOP")}>
            <Square size={16} aria-hidden /> Stop
          </PushButton>
        </>
      )}
    </section>
  );
}
