import { expect, test } from "vitest";
import type { Control } from "../api/types";
import { plain, scaleAsked, straightScale as scale, widestOf, withEnd } from "./scale";

const fader = (type: "INT32" | "FLOAT32", low: number, high: number) =>
  ({
    form: { kind: "fader", marks: [] },
    sends: [{ arguments: [{ from: "value", type, shaping: [plain(low, high)], axis: 0 }] }],
    listens: [],
  }) as unknown as Control;

test("a scale of whole numbers shows whole numbers", () => {
  expect(scale(fader("INT32", 0, 255)).map((mark) => mark.text)).toEqual(["0", "64", "128", "191", "255"]);
  expect(scale(fader("FLOAT32", 0, 255)).map((mark) => mark.text)).toEqual([
    "0",
    "63.8",
    "128",
    "191",
    "255",
  ]);
  expect(scale(fader("FLOAT32", 1, 0)).map((mark) => mark.text)).toEqual(["1", "0.75", "0.5", "0.25", "0"]);
});

test("the widest text of a scale decides how large its texts are", () => {
  expect(
    widestOf([
      { place: 0, text: "off" },
      { place: 1, text: "-12.5" },
    ]),
  ).toBeCloseTo(5 * 0.62);
});

test("what is no straight line is asked of the server", () => {
  const straight = fader("INT32", 0, 255);
  expect(scaleAsked(straight)).toBeNull();
  const curved = structuredClone(straight);
  const source = curved.sends[0]!.arguments[0]!;
  if (source.from === "value") source.shaping.unshift({ step: "power", exponent: 2 });
  expect(scale(curved)).toEqual([]);
  expect(scaleAsked(curved)?.shaping.map((step) => step.step)).toEqual(["power", "scale"]);
});

test("one end of a range is changed and the other stays as it has become meanwhile", () => {
  expect(withEnd(withEnd([plain(0, 1)], { low: -30 }), { high: 30 })).toEqual([plain(-30, 30)]);
});
