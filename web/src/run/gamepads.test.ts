import { expect, it } from "vitest";
import { readPads } from "./gamepads";

const button = (pressed: boolean) => ({ pressed });

it("buttons and sticks are numbered from 1, of each controller", () => {
  const pads = readPads([
    { index: 0, buttons: [button(false), button(true)], axes: [0.1, -0.05, 1, -1] },
    { index: 2, buttons: [button(true)], axes: [] },
  ]);
  expect([...pads.down]).toEqual(["[Gamepad1Button2]", "[Gamepad3Button1]"]);
  expect([...pads.sticks]).toEqual([["[Gamepad1Stick2]", { right: 1, up: 1 }]]);
});

it("a stick begins where its middle ends", () => {
  const at = (axis: number) => readPads([{ index: 0, buttons: [], axes: [axis, 0] }]).sticks;
  expect(at(0.15).size).toBe(0);
  expect(at(-0.575).get("[Gamepad1Stick1]")).toMatchObject({ right: expect.closeTo(-0.5) });
});
