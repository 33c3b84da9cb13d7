/**
 * The sound of one track, played aloud by this device. It follows the track: what is off by little is caught up with a hardly higher or lower speed, what is off by much by a
 * place anew while it is faded out, so nothing clicks. The file is here whole before it begins, so a network that is gone does not stop it.
 */
import { create } from "zustand";
import { browser } from "./browser";
import { command } from "./connection";
import { positionAt } from "./position";
import { useShow } from "./show";

const TURN_MS = 50;
/** Off by more, it is placed anew. */
const JUMP_S = 0.25;
/** Off by less, nothing is done. */
const NEAR_S = 0.002;
/** Of what it is off, so much a second is caught up. */
const SHARE = 0.8;
const MOST_SPEED = 0.03;
const LATENCY_SHARE = 0.03;
/** So long it takes at most until everybody knows whose device plays it. */
const KNOWN_MS = 2000;
const FADE_S = 0.012;

interface SoundState {
  /** The track whose sound this device plays, or was to play; null while it plays none. */
  track: string | null;
  /** Of the file that has come, 0 to 1. */
  loaded: number;
  /** By how much the sound was off when it was last looked at, in milliseconds; null while it is silent. */
  offMs: number | null;
  /** Why there is no sound. */
  trouble: string | null;
}

export const useSound = create<SoundState>()(() => ({
  track: null,
  loaded: 0,
  offMs: null,
  trouble: null,
}));

interface Player {
  audio: HTMLAudioElement;
  context: AudioContext;
  gain: GainNode;
  timer: ReturnType<typeof setInterval>;
  /** How long it takes from here to the loudspeaker, in seconds. */
  latency: number;
  /** When the server was told last that it plays here. */
  saidAt: number;
  url: string;
}

let player: Player | null = null;
let wanted = 0;

/** Loads a sound and lets it follow a track, in the place of any other. Called by a press: browsers play nothing that nobody asked for. */
export async function playHere(track: string, file: string): Promise<void> {
  silence();
  const mine = ++wanted;
  useSound.setState({ track, loaded: 0, offMs: null, trouble: null });
  const context = new AudioContext();
  try {
    const blob = await whole(file, (loaded) => mine === wanted && useSound.setState({ loaded }));
    if (mine !== wanted || blob === null) {
      void context.close();
      if (mine === wanted) fails(track, "The sound is not on this server: load it again under Edit");
      return;
    }
    const url = URL.createObjectURL(blob);
    const audio = new Audio(url);
    audio.preservesPitch = false;
    const gain = context.createGain();
    context.createMediaElementSource(audio).connect(gain).connect(context.destination);
    void context.resume();
    audio.onerror = () => player?.audio === audio && fails(track, "This browser cannot play the sound");
    player = {
      audio,
      context,
      gain,
      url,
      latency: context.outputLatency || 0,
      saidAt: performance.now(),
      timer: setInterval(() => follow(track), TURN_MS),
    };
    useSound.setState({ loaded: 1 });
  } catch {
    void context.close();
    if (mine === wanted) fails(track, "The sound did not come whole: press again");
  }
}

/** It is not heard here; whoever asks which device plays it must not be told that this one does. */
function fails(track: string, trouble: string): void {
  silence();
  useSound.setState({ track, trouble });
  command({ kind: "track", track, deed: "SILENT", seconds: null, mark: null });
}

/** This device plays no sound any more. */
export function silence(): void {
  wanted++;
  if (player) {
    clearInterval(player.timer);
    player.audio.pause();
    URL.revokeObjectURL(player.url);
    void player.context.close();
    player = null;
  }
  useSound.setState({ track: null, loaded: 0, offMs: null, trouble: null });
}

/** The whole file; null where the server has none. */
async function whole(file: string, progress: (share: number) => void): Promise<Blob | null> {
  const response = await fetch(file);
  if (!response.ok || !response.body) return null;
  const length = Number(response.headers.get("Content-Length") ?? 0);
  const pieces: Uint8Array<ArrayBuffer>[] = [];
  let come = 0;
  const reader = response.body.getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    pieces.push(next.value);
    come += next.value.length;
    if (length > 0) progress(come / length);
  }
  return new Blob(pieces, { type: response.headers.get("Content-Type") ?? "" });
}

/** Another device may have been chosen, wherever somebody looks here; and who was away for a moment says so again. */
function isStillOurs(playing: Player, track: string): boolean {
  const { tracks, lostSince } = useShow.getState();
  const told = tracks.get(track);
  const now = performance.now();
  if (!told || lostSince !== null || now - playing.saidAt < KNOWN_MS) return true;
  const speaker = told.state.speaker;
  if (speaker === null) {
    playing.saidAt = now;
    command({ kind: "track", track, deed: "SPEAK", seconds: null, mark: null });
  } else if (speaker.browser !== browser.id) {
    silence();
    return false;
  }
  return true;
}

function follow(track: string): void {
  if (!player) return;
  const { audio, context, gain } = player;
  if (!isStillOurs(player, track)) return;
  const told = useShow.getState().tracks.get(track);
  // the browser estimates it anew each time, and not well
  player.latency += LATENCY_SHARE * ((context.outputLatency || 0) - player.latency);
  const length = Number.isFinite(audio.duration) ? audio.duration : Infinity;
  if (!told?.state.rolling) {
    if (!audio.paused) {
      gain.gain.setTargetAtTime(0, context.currentTime, FADE_S / 3);
      audio.pause();
    }
    if (useSound.getState().offMs !== null) useSound.setState({ offMs: null });
    return;
  }
  // what leaves now is heard a little later
  const due = positionAt(told, performance.now()) + player.latency;
  if (due >= length) {
    if (!audio.paused) audio.pause();
    return;
  }
  const off = due - audio.currentTime;
  if (audio.paused || Math.abs(off) > JUMP_S) {
    gain.gain.cancelScheduledValues(context.currentTime);
    gain.gain.setValueAtTime(0, context.currentTime);
    audio.currentTime = due;
    gain.gain.linearRampToValueAtTime(1, context.currentTime + 2 * FADE_S);
    if (audio.paused)
      audio
        .play()
        .catch(() => player?.audio === audio && fails(track, "This browser lets nothing sound: press again"));
    return;
  }
  audio.playbackRate =
    Math.abs(off) < NEAR_S ? 1 : 1 + Math.max(-MOST_SPEED, Math.min(MOST_SPEED, off * SHARE));
  useSound.setState({ offMs: Math.round(off * 1000) });
}
