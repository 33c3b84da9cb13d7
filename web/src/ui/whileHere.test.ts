// @vitest-environment jsdom
import { expect, test } from "vitest";
import { whileHere } from "./whileHere";

test("an answer is taken by who is still there", async () => {
  const taken: number[] = [];
  await whileHere(Promise.resolve(1), (n) => taken.push(n));
  expect(taken).toEqual([1]);
});

test("an answer that comes late takes nobody away from where they have gone", async () => {
  const taken: number[] = [];
  let answer: (n: number) => void = () => {};
  const asked = whileHere(new Promise<number>((resolve) => (answer = resolve)), (n) => taken.push(n));
  location.hash = "#/rig";
  answer(1);
  await asked;
  expect(taken).toEqual([]);
});
