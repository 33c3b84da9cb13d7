import { expect, test } from "vitest";
import { clockTime, timeOfDay } from "./time";

test("a time of day has two digits each, and three for its milliseconds", () => {
  expect(timeOfDay(new Date(2026, 10, 30, 9, 5, 7, 42))).toBe("09:05:07");
  expect(clockTime(new Date(2026, 10, 30, 0, 0, 0, 0).getTime())).toBe("00:00:00.000");
  expect(clockTime(new Date(2026, 10, 30, 23, 59, 59, 999).getTime())).toBe("23:59:59.999");
});

/** Source: ECMA-402, as this runtime has it. */
test("it is what the language has for it in Britain", () => {
  for (let hour = 0; hour < 24; hour++) {
    const date = new Date(2026, 2, 29, hour, (hour * 7) % 60, (hour * 13) % 60);
    expect(timeOfDay(date)).toBe(date.toLocaleTimeString("en-GB"));
  }
});
