/** The WebSocket: opens, opens again when it is lost, and hands every frame to those it concerns. */
import type { ClientFrame, Command, ServerFrame, TouchPhase } from "../api/types";
import { notify } from "../ui/notices";
import { announce, keepName } from "./browser";
import { hello, newSocket, takeFirst } from "./early";
import { receiveShow, useShow } from "./show";
import { traces, values } from "./values";

/** The server's word for a show that is not there; asking again helps nobody. */
const NO_SUCH_SHOW = 4404;
/** The show key was changed; the page that asks for it comes with a reload. */
const KEY_CHANGED = 4401;
const RETRY_MS = 500;
const BEAT_MS = 500;
/** The server says something every second; when it does not for as long, it is gone, or the way to it. */
const SILENCE_MS = 2_500;

let socket: WebSocket | null = null;
let heardAt = 0;
let beats = 0;
let watching: { traces: string[] } = { traces: [] };
const fingers = new Set<string>();
/** What counts as one touch; moves in between do not. */
const COUNTED = new Set<TouchPhase>(["PRESS", "STEP", "SET", "REST", "PICK", "TYPE"]);

let hasCome: () => void;
const come = new Promise<void>((resolve) => (hasCome = resolve));

/** Once the show is here, or it does not come for as long. */
export const welcomed = (patienceMs: number): Promise<void> =>
  Promise.race([come, new Promise<void>((resolve) => setTimeout(resolve, patienceMs))]);

export function connect(): void {
  const first = takeFirst();
  const opened = first?.socket ?? newSocket();
  socket = opened;
  heardAt = performance.now();
  const watchdog = setInterval(() => {
    if (performance.now() - heardAt > SILENCE_MS) lose();
    // while a finger is down we are heard twice as often; a hand that vanishes is let go
    else if (fingers.size > 0 || beats++ % 2 === 0) send({ kind: "beat" });
  }, BEAT_MS);
  /** Ends this connection once, however it is noticed: a network that is gone lets nothing close in order. */
  const lose = () => {
    clearInterval(watchdog);
    opened.onmessage = opened.onclose = opened.onopen = null;
    opened.close();
    if (socket !== opened) return;
    socket = null;
    useShow.setState((state) => ({ lostSince: state.lostSince ?? new Date() }));
    setTimeout(connect, RETRY_MS);
  };
  const begin = () => {
    announce().catch(() => undefined);
    send({ kind: "watch", ...watching });
  };
  opened.onopen = () => {
    hello(opened);
    begin();
  };
  opened.onmessage = (event) => {
    heardAt = performance.now();
    receive(JSON.parse(event.data as string) as ServerFrame);
  };
  opened.onclose = (event) => {
    if (event.code === NO_SUCH_SHOW) {
      clearInterval(watchdog);
      useShow.setState({ noSuchShow: true });
      hasCome();
    } else if (event.code === KEY_CHANGED) location.reload();
    else lose();
  };
  if (opened.readyState === WebSocket.OPEN) begin();
  first?.heard.forEach((event) => opened.onmessage!(event));
}

/** Gives this browser another name, for what it edits and for what it touches from now on. */
export function rename(name: string): void {
  keepName(name);
  announce().catch(() => undefined);
  send({ kind: "called", name });
}

/** @returns false where there is no connection, and the frame is lost */
export function send(frame: ClientFrame): boolean {
  if (socket?.readyState !== WebSocket.OPEN) {
    if (frame.kind === "do" && frame.command.kind === "touch" && COUNTED.has(frame.command.phase))
      useShow.setState((state) => ({ unsent: state.unsent + 1 }));
    return false;
  }
  socket.send(JSON.stringify(frame));
  return true;
}

/** Wants something done with the live show; false where the server is not there to hear it. */
export const command = (wanted: Command): boolean => send({ kind: "do", command: wanted });

export function watch(change: Partial<typeof watching>): void {
  watching = { ...watching, ...change };
  send({ kind: "watch", ...watching });
}

/** While a finger is down the server hears from us more often; when it does not, it lifts the finger. */
export function fingerDown(finger: string): void {
  fingers.add(finger);
}

export function fingerUp(finger: string): void {
  fingers.delete(finger);
}

function receive(frame: ServerFrame): void {
  if (frame.welcome) {
    values.clear();
    traces.clear();
  }
  receiveShow(frame);
  for (const value of frame.values) values.set(value.control, value);
  for (const trace of frame.traces) traces.set(trace.control, trace);
  if (frame.notices.length) notify(frame.notices.join(" "));
  hasCome();
}
