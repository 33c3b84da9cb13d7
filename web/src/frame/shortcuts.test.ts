import { expect, test } from "vitest";
import page from "../../../docs/shortcuts.md?raw";
import { SHORTCUTS } from "./shortcuts";

const LINES = page.split("\n");

test.each(SHORTCUTS)("docs/shortcuts.md says of $where what the application says", ({ where, list }) => {
  const start = LINES.indexOf(`## ${where}`);
  const rows = LINES.slice(start + 1)
    .slice(0, list.length + 3)
    .filter((line) => /^\| [^-]/.test(line));
  expect(rows.slice(1)).toEqual(list.map(({ keys, what }) => `| ${keys} | ${what} |`));
});
