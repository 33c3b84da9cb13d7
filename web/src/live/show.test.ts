import { beforeEach, expect, test, vi } from "vitest";
import type { Edit, Held, Part, ServerFrame } from "../api/types";
import { partOf, partsOf, receiveShow, seen, useShow } from "./show";

const ADA = { id: "b1", name: "Ada" };
const BEN = { id: "b2", name: "Ben" };

function page(id: string, order: number, name = id): Part {
  const screen = { kind: "DESK" as const, width: 1280, height: 800 };
  const body = { kind: "page" as const, name, columns: 8, rows: 8, screen, strip: false, follows: null };
  return { id, parent: "layout", order, body };
}

function frame(part: Partial<ServerFrame>): ServerFrame {
  return {
    welcome: null,
    values: [],
    links: [],
    cues: [],
    tracks: [],
    sets: [],
    traces: [],
    lastOut: null,
    lastIn: null,
    edits: [],
    goesOn: false,
    page: null,
    presences: null,
    findings: null,
    missed: 0,
    notices: [],
    ...part,
  };
}

function welcome(...parts: Part[]): ServerFrame {
  const held: Held[] = parts.map((part) => ({ part, version: 1, author: ADA }));
  return frame({ welcome: { showId: "s", showName: "Show", live: true, version: 1, parts: held } });
}

function edit(number: number, before: Part | null, after: Part | null): Edit {
  const id = (after ?? before)!.id;
  return { number, author: BEN, title: "", changes: [{ id, before, after }], role: { kind: "FRESH", of: 0 } };
}

beforeEach(() => receiveShow(welcome(page("b", 2), page("a", 1))));

test("parts come in the order people see them", () => {
  expect(partsOf(useShow.getState().parts, "page").map((p) => p.part.id)).toEqual(["a", "b"]);
  expect(partsOf(useShow.getState().parts, "page", "elsewhere")).toEqual([]);
});

test("an edit changes, adds and removes parts and names its author", () => {
  receiveShow(
    frame({
      edits: [
        edit(2, page("a", 1), page("a", 1, "New")),
        edit(3, null, page("c", 3)),
        edit(4, page("b", 2), null),
      ],
    }),
  );
  const { parts, version } = useShow.getState();
  expect(version).toBe(4);
  expect(parts.get("a")).toMatchObject({ version: 2, author: BEN, part: { body: { name: "New" } } });
  expect(parts.has("b")).toBe(false);
  expect(parts.get("c")?.version).toBe(3);
});

test("a welcome replaces what was known and ends the time of being lost", () => {
  useShow.setState({ lostSince: new Date() });
  receiveShow(welcome(page("z", 1)));
  expect([...useShow.getState().parts.keys()]).toEqual(["z"]);
  expect(useShow.getState().lostSince).toBeNull();
});

test("a part is found by its kind only", () => {
  const { parts } = useShow.getState();
  expect(partOf(parts, "page", "a")?.part.body.name).toBe("a");
  expect(partOf(parts, "target", "a")).toBeUndefined();
  expect(partOf(parts, "page", null)).toBeUndefined();
});

test("who waits for an edit goes on once it is seen", async () => {
  const waiting = seen(2);
  receiveShow(frame({ edits: [edit(2, page("a", 1), page("a", 9))] }));
  await waiting;
  expect(useShow.getState().version).toBe(2);
});

test("packets that were too many stay counted, until the server begins anew", async () => {
  receiveShow(frame({ missed: 12 }));
  receiveShow(frame({}));
  await vi.waitFor(() => expect(useShow.getState().missed).toBe(12));
  receiveShow(welcome());
  expect(useShow.getState().missed).toBe(0);
});

test("what changes with every packet is told now and then, and the last of it is", async () => {
  let told = 0;
  const stop = useShow.subscribe(() => told++);
  for (let missed = 1; missed <= 50; missed++) receiveShow(frame({ missed }));
  await vi.waitFor(() => expect(useShow.getState().missed).toBe(50));
  stop();
  expect(told).toBeLessThan(5);
});

test("what waits to be told is told in its order, with an edit that does not wait", () => {
  receiveShow(frame({ missed: 3 }));
  receiveShow(frame({ edits: [edit(2, page("a", 1), page("a", 9))] }));
  expect(useShow.getState()).toMatchObject({ missed: 3, version: 2 });
});

test("an edit that comes in pieces counts as a whole", () => {
  const piece = (id: string) => edit(2, null, page(id, 5));
  receiveShow(frame({ edits: [piece("x")], goesOn: true }));
  receiveShow(frame({ edits: [piece("y")], goesOn: true }));
  expect(useShow.getState().version).toBe(1);
  expect(useShow.getState().parts.has("x")).toBe(false);
  receiveShow(frame({ edits: [piece("z"), edit(3, null, page("after", 6))] }));
  const { parts, version } = useShow.getState();
  expect(version).toBe(3);
  expect(["x", "y", "z", "after"].every((id) => parts.has(id))).toBe(true);
});

test("a piece from before a new welcome is forgotten", () => {
  receiveShow(frame({ edits: [edit(2, null, page("x", 5))], goesOn: true }));
  receiveShow(welcome(page("a", 1)));
  receiveShow(frame({ edits: [edit(2, null, page("y", 5))] }));
  expect([...useShow.getState().parts.keys()]).toEqual(["a", "y"]);
});
