import { expect, it } from "vitest";

/** Shared rooms, from the lowest; a room looks only at those before it. The stations come after all of them. */
const ROOMS = ["api", "ui", "live", "requests", "controls"];

const sources = import.meta.glob<string>("./**/*.{ts,tsx}", {
  query: "?raw",
  import: "default",
  eager: true,
});

it("rooms look only at those below them", () => {
  const upwards = Object.entries(sources).flatMap(([file, text]) => {
    const room = ROOMS.indexOf(file.split("/")[1]!);
    if (room < 0 || file.includes(".test.")) return [];
    return [...text.matchAll(/from "(?:\.\.\/)+([a-z]+)\//g)]
      .map((found) => found[1]!)
      .filter((other) => ROOMS.indexOf(other) > room || !ROOMS.includes(other))
      .map((other) => `${file} looks at ${other}`);
  });
  expect(upwards).toEqual([]);
});

it("the sources are there to be looked at", () => {
  expect(Object.keys(sources).length).toBeGreaterThan(100);
});

it("what is asked of the server is asked under its one root", () => {
  const asked = Object.entries(sources).flatMap(([file, text]) =>
    [...text.matchAll(/fetch\(\s*["`](\/[^"`]*)/g)].map((found) => `${file} ${found[1]}`),
  );
  expect(asked.length).toBeGreaterThan(5);
  expect(asked.filter((each) => !each.includes(" /api/"))).toEqual([]);
});
