import { expect, it } from "vitest";
import { byWhom } from "./byWhom";

it("names the person, and what else it was where it was no touch", () => {
  expect(byWhom({ actor: "Ada", origin: "HAND" })).toBe("Ada");
  expect(byWhom({ actor: "Ada", origin: "TEST" })).toBe("Ada, test");
  expect(byWhom({ actor: "Ada", origin: "SAY" })).toBe("Ada");
});

it("says what Imperan does by itself", () => {
  expect(byWhom({ actor: "Imperan", origin: "KEEP_ALIVE" })).toBe("keep-alive");
  expect(byWhom({ actor: "Ada", origin: "QUESTION" })).toBe("question");
});
