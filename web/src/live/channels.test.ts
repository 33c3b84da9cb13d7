import { expect, test, vi } from "vitest";
import { Channels } from "./channels";

test("a listener hears the latest at once and every new one of its key", () => {
  const channels = new Channels<number>();
  channels.set("a", 1);
  const heard = vi.fn();
  const stop = channels.subscribe("a", heard);
  channels.set("a", 2);
  channels.set("b", 3);
  stop();
  channels.set("a", 4);
  expect(heard.mock.calls).toEqual([[1], [2]]);
  expect(channels.get("a")).toBe(4);
});
