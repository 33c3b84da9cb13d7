import { expect, test } from "vitest";
import type { Held } from "../api/types";
import { wayTo, whereIs } from "./whereIs";

const part = (id: string, parent: string | null, kind: string) =>
  [id, { part: { id, parent, order: 0, body: { kind } }, version: 1 } as unknown as Held] as const;

const page = part("page", "layout", "page");
const fader = part("fader", "page", "control");
const tray = part("tray", "page", "tray");
const inside = part("inside", "tray", "control");

test("a control is seen on its page, also one in a tray, and is selected there", () => {
  const all = new Map([page, fader, tray, inside]);
  expect(whereIs(["fader", "inside"], all, all)).toEqual({
    path: "/layout/page",
    select: ["fader", "inside"],
  });
});

test("what is gone is seen where it was, with nothing to select", () => {
  expect(whereIs(["fader"], new Map([page, fader]), new Map([page]))).toEqual({
    path: "/layout/page",
    select: [],
  });
  expect(whereIs(["page"], new Map([page]), new Map())).toEqual({ path: "/layout", select: [] });
});

test("targets, hosts and phrases are seen at their stations", () => {
  const all = new Map([
    part("t", null, "target"),
    part("h", null, "host"),
    part("b", null, "phrasebook"),
    part("p", "b", "phrase"),
  ]);
  expect(whereIs(["t"], all, all)?.path).toBe("/rig");
  expect(whereIs(["h"], all, all)?.path).toBe("/rig/hosts");
  expect(whereIs(["b"], all, all)?.path).toBe("/rig/phrasebooks/b");
  expect(whereIs(["p"], all, all)?.path).toBe("/rig/phrasebooks/b");
  expect(whereIs([], all, all)).toBeNull();
});

test("a track and its marks are seen at the list that lies on it", () => {
  const list = [
    "list",
    { part: { id: "list", parent: null, order: 0, body: { kind: "cueList", track: "track" } }, version: 1 },
  ] as unknown as ReturnType<typeof part>;
  const all = new Map([
    list,
    part("track", null, "track"),
    part("mark", "track", "trackMark"),
    part("alone", null, "track"),
  ]);
  expect(wayTo("track", all)).toBe("/cues/list");
  expect(wayTo("mark", all)).toBe("/cues/list");
  expect(wayTo("alone", all)).toBe("/cues");
});

test("a cue is seen in its list and a song at its list; who means to change them is led to their fields", () => {
  const song = [
    "song",
    { part: { id: "song", parent: "set", order: 0, body: { kind: "song", list: "list" } }, version: 1 },
  ] as unknown as ReturnType<typeof part>;
  const all = new Map([
    part("list", null, "cueList"),
    part("cue", "list", "cue"),
    part("set", null, "setList"),
    song,
    page,
    fader,
  ]);
  expect(whereIs(["cue"], all, all)?.path).toBe("/cues/list");
  expect(whereIs(["song"], all, all)?.path).toBe("/cues/list");
  expect(wayTo("cue", all)).toBe("/cues/list?part=cue");
  expect(wayTo("song", all)).toBe("/cues/list?part=song");
  expect(wayTo("fader", all)).toBe("/layout/page");
  expect(wayTo("gone", all)).toBeNull();
});
