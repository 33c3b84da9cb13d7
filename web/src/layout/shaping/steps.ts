import type { ShapingStep } from "../../api/types";

export type StepKind = ShapingStep["step"];

interface StepFacts {
  name: string;
  /** What it does, as a short line in the list to choose from. */
  does: string;
  /** One to begin with, of the numbers that come in. */
  fresh: (low: number, high: number) => ShapingStep;
  /** Its fields that are numbers, and what they are called. */
  numbers: Record<string, string>;
}

const middle = (low: number, high: number) => (low + high) / 2;

/** What the settings of a step have to know of it; all that it computes the server says. */
export const STEPS: Record<StepKind, StepFacts> = {
  scale: {
    name: "Scale",
    does: "from one range to another",
    fresh: (low, high) => ({ step: "scale", fromLow: low, fromHigh: high, low, high }),
    numbers: { fromLow: "From", fromHigh: "to", low: "becomes", high: "to" },
  },
  clamp: {
    name: "Clamp",
    does: "never beyond two numbers",
    fresh: (low, high) => ({ step: "clamp", low, high }),
    numbers: { low: "Lowest", high: "Highest" },
  },
  flip: { name: "Flip", does: "low becomes high", fresh: () => ({ step: "flip" }), numbers: {} },
  power: {
    name: "Curve",
    does: "gentle first, or steep first",
    fresh: () => ({ step: "power", exponent: 2 }),
    numbers: { exponent: "Exponent" },
  },
  cut: { name: "Cut", does: "decimals are cut off", fresh: () => ({ step: "cut" }), numbers: {} },
  "s-curve": {
    name: "S curve",
    does: "gentle at both ends",
    fresh: () => ({ step: "s-curve", steepness: 2 }),
    numbers: { steepness: "Steepness" },
  },
  breakpoints: {
    name: "Breakpoints",
    does: "a curve or a taper through points",
    fresh: (low, high) => ({
      step: "breakpoints",
      points: [
        { in: low, out: low },
        { in: high, out: high },
      ],
      lowest: "",
    }),
    numbers: {},
  },
  decibels: {
    name: "Decibels",
    does: "a factor as dB, or back",
    fresh: () => ({ step: "decibels", toFactor: false }),
    numbers: {},
  },
  round: {
    name: "Round",
    does: "to whole numbers, or to a step",
    fresh: () => ({ step: "round", to: 1 }),
    numbers: { to: "To multiples of" },
  },
  table: {
    name: "Table",
    does: "one value for another",
    fresh: (low, high) => ({
      step: "table",
      entries: [
        { in: String(low), out: String(low) },
        { in: String(high), out: String(high) },
      ],
      otherwise: null,
    }),
    numbers: {},
  },
  "dead-zone": {
    name: "Dead zone",
    does: "near the middle counts as the middle",
    fresh: (low, high) => ({ step: "dead-zone", around: middle(low, high), near: (high - low) / 20 || 0.05 }),
    numbers: { around: "Around", near: "As near as" },
  },
  add: {
    name: "Add",
    does: "so much more",
    fresh: () => ({ step: "add", amount: 0 }),
    numbers: { amount: "Amount" },
  },
  multiply: {
    name: "Multiply",
    does: "so many times as much",
    fresh: () => ({ step: "multiply", factor: 1 }),
    numbers: { factor: "Factor" },
  },
  wrap: {
    name: "Wrap",
    does: "round and round, as with degrees",
    fresh: (low, high) => ({ step: "wrap", low, high }),
    numbers: { low: "From", high: "to" },
  },
  hold: {
    name: "Hold",
    does: "always the same value",
    fresh: (low, high) => ({ step: "hold", at: middle(low, high) }),
    numbers: { at: "At" },
  },
  smooth: {
    name: "Smooth",
    does: "quiets what trembles",
    fresh: () => ({ step: "smooth", seconds: 0.25 }),
    numbers: { seconds: "Time constant (s)" },
  },
  "rate-limit": {
    name: "Rate limit",
    does: "never faster than this",
    fresh: (low, high) => ({ step: "rate-limit", perSecond: high - low || 1 }),
    numbers: { perSecond: "Most in a second" },
  },
  "at-most-every": {
    name: "At most every",
    does: "fewer messages",
    fresh: () => ({ step: "at-most-every", milliseconds: 100 }),
    numbers: { milliseconds: "Milliseconds" },
  },
  threshold: {
    name: "Threshold",
    does: "1 from a level upwards, else 0",
    fresh: (low, high) => ({ step: "threshold", level: middle(low, high), margin: (high - low) / 20 }),
    numbers: { level: "Level", margin: "Margin" },
  },
  edge: {
    name: "Edge",
    does: "only at the moment it rises or falls",
    fresh: () => ({ step: "edge", way: "RISING" }),
    numbers: {},
  },
  toggle: { name: "Toggle", does: "on and off by turns", fresh: () => ({ step: "toggle" }), numbers: {} },
};

/** Pairs as they are typed, such as "0 −90; 0.25 −30"; null where one is none. */
export function readPairs(text: string, between: RegExp): [string, string][] | null {
  const pairs = text
    .split(/[;\n]/)
    .map((pair) => pair.trim())
    .filter(Boolean)
    .map((pair) => pair.split(between).map((word) => word.trim()));
  return pairs.every((pair) => pair.length === 2 && pair[0]) ? (pairs as [string, string][]) : null;
}

/** The how manieth of its kind a step is, from 0: so it is known again when others come or go meanwhile. */
export const nth = (shaping: readonly ShapingStep[], index: number): number =>
  shaping.slice(0, index).filter((step) => step.step === shaping[index]!.step).length;

/** The place of the nth step of a kind; -1 where it is gone. */
export function placeOf(shaping: readonly ShapingStep[], kind: StepKind, which: number): number {
  return shaping.findIndex((step, index) => step.step === kind && nth(shaping, index) === which);
}
