import { expect, it } from "vitest";
import { isStroke, strokeOf } from "./keyStroke";

function pressed(key: string, code: string, ...held: ("ctrlKey" | "altKey" | "shiftKey" | "metaKey")[]) {
  const none = { ctrlKey: false, altKey: false, shiftKey: false, metaKey: false };
  return { key, code, ...none, ...Object.fromEntries(held.map((each) => [each, true])) };
}

it("a letter is meant wherever it is, and a place whatever letter is there", () => {
  expect(isStroke("g", pressed("g", "KeyG"))).toBe(true);
  expect(isStroke("g", pressed("g", "KeyU"))).toBe(true);
  expect(isStroke("[KeyG]", pressed("i", "KeyG"))).toBe(true);
  expect(isStroke("[KeyG]", pressed("g", "KeyU"))).toBe(false);
  expect(isStroke("[Numpad1]", pressed("1", "Numpad1"))).toBe(true);
  expect(isStroke("[Numpad1]", pressed("1", "Digit1"))).toBe(false);
});

it("what is held down counts", () => {
  expect(isStroke("Ctrl+g", pressed("g", "KeyG", "ctrlKey"))).toBe(true);
  expect(isStroke("Ctrl+g", pressed("g", "KeyG"))).toBe(false);
  expect(isStroke("g", pressed("g", "KeyG", "ctrlKey"))).toBe(false);
  expect(isStroke("Shift+g", pressed("G", "KeyG", "shiftKey"))).toBe(true);
  expect(isStroke("g", pressed("G", "KeyG", "shiftKey"))).toBe(false);
  expect(isStroke("?", pressed("?", "Slash", "shiftKey"))).toBe(true);
  expect(isStroke("Ctrl++", pressed("+", "NumpadAdd", "ctrlKey"))).toBe(true);
  expect(isStroke("", pressed("g", "KeyG"))).toBe(false);
});

it("what was pressed is written by its place, and is that very key", () => {
  const event = pressed("G", "KeyG", "ctrlKey", "shiftKey");
  expect(strokeOf(event)).toBe("Ctrl+Shift+[KeyG]");
  expect(isStroke(strokeOf(event)!, event)).toBe(true);
  expect(strokeOf(pressed("Shift", "ShiftLeft", "shiftKey"))).toBeNull();
});
