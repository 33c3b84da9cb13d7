/** Opens the connection before the rest of the interface is read, from a file of its own: meanwhile the show is on its way. */
import { browser } from "./browser";

/** The show this browser looks at: the one its address names, or the live one. */
function wantedShow(): string {
  return new URLSearchParams(location.search).get("show") ?? "";
}

export const newSocket = () => new WebSocket(`${location.origin.replace(/^http/, "ws")}/api/live`);

/** The first thing that is said on a connection. */
export const hello = (socket: WebSocket) =>
  socket.send(JSON.stringify({ kind: "hello", browser: browser.id, name: browser.name, show: wantedShow() }));

interface First {
  socket: WebSocket;
  /** What has come on it so far. */
  heard: MessageEvent[];
}

function begin(): First {
  const first: First = { socket: newSocket(), heard: [] };
  first.socket.onopen = () => hello(first.socket);
  first.socket.onmessage = (event) => first.heard.push(event);
  return first;
}

let first: First | null = begin();

/** The connection that was opened first; null once it was taken, or where it has ended. */
export function takeFirst(): First | null {
  const taken = first;
  first = null;
  return taken && taken.socket.readyState <= WebSocket.OPEN ? taken : null;
}
