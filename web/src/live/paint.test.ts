import { beforeEach, expect, test, vi } from "vitest";

const FRAME_MS = 1000 / 60;
let frames: FrameRequestCallback[] = [];
let now = 1000;

/** The next frame of the display, where one was asked for. */
function frame() {
  now += FRAME_MS;
  const due = frames;
  frames = [];
  for (const callback of due) callback(now);
}

async function paintings(count: number) {
  const { Painting } = await import("./paint");
  const drawn = Array.from({ length: count }, () => 0);
  return { drawn, all: drawn.map((_, i) => new Painting(() => drawn[i]++)) };
}

beforeEach(() => {
  vi.resetModules();
  frames = [];
  vi.stubGlobal("requestAnimationFrame", (callback: FrameRequestCallback) => frames.push(callback));
});

test("what changes twice before a frame is drawn once, and one frame is asked for", async () => {
  const { drawn, all } = await paintings(3);
  for (const painting of [...all, ...all]) painting.again();
  expect(frames).toHaveLength(1);
  frame();
  expect(drawn).toEqual([1, 1, 1]);
  expect(frames).toHaveLength(0);
});

test("many are drawn every other frame, what is in hand in each", async () => {
  const { drawn, all } = await paintings(40);
  for (let i = 0; i < 10; i++) {
    all.forEach((painting, n) => painting.again(n === 7));
    frame();
  }
  expect(drawn[7]).toBe(10);
  expect(drawn[8]).toBe(5);
  frame();
  expect(drawn[8]).toBe(6);
  expect(frames).toHaveLength(0);
});

test("few are drawn in each frame", async () => {
  const { drawn, all } = await paintings(20);
  for (let i = 0; i < 10; i++) {
    for (const painting of all) painting.again();
    frame();
  }
  expect(drawn[0]).toBe(10);
});

test("what takes turns is drawn a few in each frame, one after the other, and at once where it has to be", async () => {
  const { Painting } = await import("./paint");
  const said: number[] = [];
  const all = Array.from({ length: 30 }, (_, i) => new Painting(() => said.push(i), true));
  all.forEach((painting, i) => painting.again(i === 29));
  frame();
  expect(said).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 29]);
  all[0]!.again();
  for (let i = 0; i < 3; i++) frame();
  expect(said.slice(9)).toEqual([...Array.from({ length: 21 }, (_, i) => i + 8), 0]);
  expect(frames).toHaveLength(0);
});

test("what is forgotten is not drawn; what is drawn may ask to be drawn again", async () => {
  const { Painting } = await import("./paint");
  const { drawn, all } = await paintings(2);
  const again = new Painting(() => all[1].again());
  for (const painting of [...all, again]) painting.again();
  all[0].forget();
  frame();
  expect(drawn).toEqual([0, 1]);
  frame();
  expect(drawn).toEqual([0, 2]);
});

test("one that cannot be drawn does not keep the others from it for good", async () => {
  const { Painting } = await import("./paint");
  const { drawn, all } = await paintings(1);
  const broken = new Painting(() => {
    throw new Error("cannot be drawn");
  });
  broken.again();
  all[0].again();
  expect(frame).toThrow("cannot be drawn");
  const { all: others } = await paintings(1);
  others[0].again();
  frame();
  others[0].again();
  frame();
  expect(drawn).toEqual([1]);
});
