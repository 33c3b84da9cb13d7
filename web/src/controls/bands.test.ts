import { expect, test } from "vitest";
import { bandsOf, type Place } from "./bands";

const place = (x: number, y: number, width = 20, height = 50): Place => ({ x, y, width, height });

test("rows are bands of their own, as wide as what lies in them", () => {
  const bands = bandsOf([place(40, 100), place(10, 0), place(70, 102)]);
  expect(bands.map(({ room }) => room)).toEqual([place(10, 0), { x: 40, y: 100, width: 50, height: 52 }]);
});

test("what overlaps from above or below is never cut", () => {
  const tall = place(0, 0, 20, 400);
  const beside = [0, 100, 200, 399].map((y) => place(30, y));
  expect(bandsOf([...beside, tall])).toHaveLength(1);
  expect(bandsOf([...beside, tall, place(0, 450)])).toHaveLength(2);
});

test("a hundred rows are twelve bands at most, and each place is in one of them", () => {
  const places = Array.from({ length: 300 }, (_, i) => place((i % 3) * 30, Math.floor(i / 3) * 8, 20, 7));
  const bands = bandsOf(places);
  expect(bands.length).toBeGreaterThan(4);
  expect(bands.length).toBeLessThanOrEqual(12);
  expect(new Set(bands.flatMap((band) => band.places)).size).toBe(300);
  for (const { room, places } of bands)
    for (const { y, height } of places) {
      expect(y).toBeGreaterThanOrEqual(room.y);
      expect(y + height).toBeLessThanOrEqual(room.y + room.height);
    }
});

test("of nothing there are none", () => expect(bandsOf([])).toEqual([]));
