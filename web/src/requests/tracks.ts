/** Edits and orders of tracks and set lists, and the sounds of the installation. */
import type {
  Command,
  MarkerPreview,
  Problem,
  SoundState,
  SoundWave,
  TappedBeats,
  TimeRead,
  UnusedSound,
} from "../api/types";
import { browser } from "../live/browser";
import { command } from "../live/connection";
import { inTurnBytes, post } from "./edits";
import { asking, at, read } from "./read";

type TrackDeed = Extract<Command, { kind: "track" }>["deed"];
type SongDeed = Extract<Command, { kind: "songs" }>["deed"];

/** Plays or places a track. What cannot be is told by the server as a notice. */
export const stepTrack = (track: string, deed: TrackDeed, more: { seconds?: number; mark?: string } = {}) =>
  command({ kind: "track", track, deed, seconds: more.seconds ?? null, mark: more.mark ?? null });

/** Makes a song ready, or puts the one that is ready on air. */
export const stepSongs = (set: string, deed: SongDeed, song: string | null = null) =>
  command({ kind: "songs", set, deed, song });

/** A cue of a list, or without one a mark, where the track was when somebody pressed. */
export const drop = (
  track: string,
  list: string | null,
  seconds: number,
  playing: boolean,
  id: string,
): Promise<Problem[]> => post("tracks/drop", { track, list, seconds, playing, id });

export type By = "MILLISECOND" | "FRAME" | "BEAT" | "SNAP";

/** Moves cues and marks on their tracks. */
export const nudge = (parts: string[], by: By, count: number): Promise<Problem[]> =>
  post("tracks/nudge", { parts, by, count });

/** Which number of a line counts on. */
export type Counting = "ADDRESS" | "ARGUMENT" | "NOTHING";

/** What a cue does others do, too, with the numbers counting on. */
export const pasteOnto = (cue: string, onto: string[], counting: Counting): Promise<Problem[]> =>
  post("cues/paste", { cue, onto, counting });

/** Each mark becomes a section that ends where the next one begins. */
export const intoSections = (track: string): Promise<Problem[]> => post(`tracks/${track}/sections`);

export const tappedBeats = (taps: number[]) => read<TappedBeats>("tracks/beats", asking({ taps }));

/** What a typed time says, in seconds. */
export const readTime = (text: string, rate: string) =>
  read<TimeRead>(`tracks/time?text=${encodeURIComponent(text)}&rate=${rate}`);

// ---- markers of other programs

export type As = "MARKS" | "CUES";

const asked = (as: As, list: string | null) => `as=${as}${list ? `&list=${list}` : ""}`;

/** What the markers of a file would become; of the sound itself where no file is given. */
export const previewMarkers = (track: string, as: As, list: string | null, file: Blob | null) =>
  read<MarkerPreview>(`tracks/${track}/markers/preview?${asked(as, list)}`, {
    method: "POST",
    headers: { "Content-Type": "application/octet-stream" },
    body: file ?? new Blob([]),
  });

export const takeMarkers = (track: string, as: As, list: string | null, file: Blob | null) =>
  inTurnBytes(`tracks/${track}/markers?${asked(as, list)}`, file ?? new Blob([]));

export const markersAsCsv = (track: string) => at(`tracks/${track}.csv`);

// ---- sounds

export const soundFile = (hash: string) => `/api/sounds/${hash}/file`;

/** @throws Error with a sentence for people */
async function askSounds<T>(path: string): Promise<T> {
  const response = await fetch(`/api/sounds${path}`).catch(() => null);
  if (!response?.ok)
    throw new Error(
      response?.status === 404
        ? "This sound is not on the server: load it again"
        : "The server does not answer",
    );
  return (await response.json()) as T;
}

export const soundState = (hash: string) => askSounds<SoundState>(`/${hash}`);
export const unusedSounds = () => askSounds<UnusedSound[]>("/unused");

/**
 * Deletes a sound that nothing uses, or cancels the reading of one.
 *
 * @returns why it was not; null where it is gone
 */
export async function dropSound(hash: string): Promise<string | null> {
  const response = await fetch(`/api/sounds/${hash}`, { method: "DELETE" }).catch(() => null);
  const answer = (await response?.json().catch(() => null)) as { problem?: string | null } | null;
  return answer ? (answer.problem ?? null) : "The server does not answer";
}

export const soundWave = (hash: string, from: number, to: number, columns: number) =>
  askSounds<SoundWave>(`/${hash}/wave?from=${from}&to=${to}&columns=${columns}`);

const CANCELLED = "Cancelled. Nothing was kept";

/**
 * Sends a sound file to the server.
 *
 * @param progress is told what share of it has left
 * @param stop     ends the sending
 */
export function loadSound(
  file: File,
  progress: (share: number) => void,
  stop: AbortSignal,
): Promise<SoundState> {
  const silent: SoundState = {
    hash: "",
    name: file.name,
    progress: 0,
    seconds: null,
    problem: "The server does not answer; the sound was not taken",
  };
  // fetch does not tell how much has left
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.upload.onprogress = (e) => e.lengthComputable && progress(e.loaded / e.total);
    request.onerror = () => resolve(silent);
    request.onabort = () => resolve({ ...silent, problem: CANCELLED });
    stop.addEventListener("abort", () => request.abort());
    request.onload = () => {
      try {
        const answer = JSON.parse(request.responseText) as SoundState & { problems?: Problem[] };
        resolve(
          answer.problems ? { ...silent, problem: answer.problems[0]?.message ?? silent.problem } : answer,
        );
      } catch {
        resolve(silent);
      }
    };
    request.open("POST", `/api/sounds?name=${encodeURIComponent(file.name)}`);
    request.setRequestHeader("Content-Type", "application/octet-stream");
    request.setRequestHeader("Imperan-Browser", browser.id);
    request.send(file);
  });
}
