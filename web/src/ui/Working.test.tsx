// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { Working } from "./Working";

const asked: string[] = [];
let answer: unknown[] = [];

beforeEach(() => {
  asked.length = 0;
  vi.useFakeTimers();
  vi.stubGlobal("fetch", (path: string, init?: RequestInit) => {
    asked.push(`${init?.method ?? "GET"} ${path}`);
    return Promise.resolve(new Response(JSON.stringify(answer)));
  });
});

afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

test("what is over in a moment is not mentioned", async () => {
  render(<Working what="Importing" work="w" />);
  await pass(700);
  expect(screen.queryByRole("status")).toBeNull();
});

test("what takes longer says how far it is, and is cancelled once", async () => {
  answer = [{ stage: "SAVING", done: 1000, of: 20000 }];
  render(<Working what="Importing" work="w" />);
  await pass(2300);
  expect(screen.getByRole("status").textContent).toContain("Saving … 1 000 of 20 000, 2 s");
  expect(screen.getByRole<HTMLProgressElement>("progressbar").value).toBe(1000);
  fireEvent.click(screen.getByText("Cancel"));
  await pass(500);
  expect(screen.getByRole("status").textContent).toContain("Cancelling");
  expect(screen.getByText<HTMLButtonElement>("Cancel").disabled).toBe(true);
  expect(asked.filter((line) => line === "DELETE /api/work/w")).toHaveLength(1);
});

test("what has not begun yet says what it is", async () => {
  answer = [];
  render(<Working what="Importing" work="w" />);
  await pass(1200);
  expect(screen.getByRole("status").textContent).toContain("Importing … 1 s");
});
