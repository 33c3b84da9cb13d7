/** Captures: recorded, loaded, given out, and played back. */
import { browser } from "../live/browser";
import type {
  CapturesView,
  EditAnswer,
  Loaded,
  PlayAsked,
  PlaybackOrder,
  Problem,
  Replay,
  ReplayAsked,
} from "../api/types";
import { post, replace } from "./edits";
import { asking, at, read } from "./read";

export const capturesOf = () => read<CapturesView>("captures");
export const startRecording = (name: string) => post("captures/start", { name });
export const stopRecording = () => post("captures/stop");
export const renameCapture = (id: string, name: string) => replace(`captures/${id}/name`, { name });
export const removeCapture = (id: string) => read(`captures/${id}`, { method: "DELETE" });
export const captureAs = (id: string, form: "pcapng" | "jsonl") => at(`captures/${id}/capture.${form}`);
export const peersOf = (id: string) => read<string[]>(`captures/${id}/peers`);
export const play = (asked: PlayAsked) => post("captures/play", asked);
export const playbackTo = (order: PlaybackOrder) => post("captures/playback", { order });

/** What the show, without its sockets, makes of what came. */
export const replay = (id: string, asked: ReplayAsked) =>
  read<Replay>(`captures/${id}/replay`, asking(asked));

/** Takes a file in, as it is. */
export async function loadCapture(file: File): Promise<Loaded> {
  const name = file.name.replace(/\.(pcapng|pcap|jsonl|json)$/i, "") || "Capture";
  const response = await fetch(at(`captures?name=${encodeURIComponent(name.slice(0, 60))}`), {
    method: "POST",
    headers: { "Content-Type": "application/octet-stream", "Imperan-Browser": browser.id },
    body: file,
  }).catch(() => null);
  const answer = (await response?.json().catch(() => null)) as Partial<Loaded & EditAnswer> | null;
  if (answer?.packets !== undefined) return answer as Loaded;
  const problem: Problem = answer?.problems?.[0] ?? {
    part: null,
    field: "",
    message: "The server does not answer; the file was not taken",
    mend: null,
  };
  return { problem, packets: 0, passedOver: 0 };
}
