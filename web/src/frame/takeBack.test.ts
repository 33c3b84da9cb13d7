// @vitest-environment jsdom
import { beforeEach, expect, test, vi } from "vitest";
import type { Held } from "../api/types";
import { useShow } from "../live/show";
import { undo } from "../requests/edits";
import { takeBack } from "./takeBack";

vi.mock("../requests/edits", () => ({ undo: vi.fn(), redo: vi.fn() }));

const target: Held = {
  part: { id: "desk", parent: null, order: 1, body: { kind: "target", name: "Desk" } },
  version: 1,
  author: { id: "ada", name: "Ada" },
} as unknown as Held;

/** Undo whose answer comes when told, and takes a target back. */
function slowUndo(): () => void {
  let answer: () => void = () => {};
  vi.mocked(undo).mockReturnValue(
    new Promise((resolve) => {
      answer = () => {
        useShow.setState({ parts: new Map() });
        resolve([]);
      };
    }),
  );
  return () => answer();
}

beforeEach(() => {
  useShow.setState({ parts: new Map([["desk", target]]) });
  location.hash = "#/layout";
});

test("what was taken back is shown where it is", async () => {
  const answer = slowUndo();
  const taken = takeBack();
  answer();
  await taken;
  expect(location.hash).toBe("#/rig");
});

test("who has gone on before the answer comes stays where they are", async () => {
  const answer = slowUndo();
  const taken = takeBack();
  location.hash = "#/wire";
  answer();
  await taken;
  expect(location.hash).toBe("#/wire");
});
