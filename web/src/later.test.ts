import { expect, test } from "vitest";
import { Later } from "./later";

test("what is here is shown without waiting, and fetched once", async () => {
  let fetched = 0;
  const part = new Later(() => Promise.resolve(++fetched));
  await Promise.all([part.fetch(), part.fetch()]);
  expect(part.here).toBe(1);
  expect(await part.fetch()).toBe(1);
});

test("what could not be fetched is tried again", async () => {
  let tries = 0;
  const part = new Later(() => (++tries === 1 ? Promise.reject(new Error("away")) : Promise.resolve("here")));
  await expect(part.fetch()).rejects.toThrow("away");
  expect(await part.fetch()).toBe("here");
});
