// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import type { Problem } from "../api/types";
import { EditField } from "./EditField";

afterEach(cleanup);

const refusal: Problem = { part: null, field: "host", message: "127,0,0,1 has commas", mend: "127.0.0.1" };

function type(text: string) {
  const field = screen.getByLabelText("Address");
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: "Enter" });
}

test("what is accepted is shown as saved", async () => {
  const commit = vi.fn().mockResolvedValue([]);
  render(<EditField label="Address" value="127.0.0.1" onCommit={commit} />);
  type("127.0.0.2");
  expect(await screen.findByText("Saved")).toBeTruthy();
  expect(commit).toHaveBeenCalledExactlyOnceWith("127.0.0.2");
});

test("what is refused stays with its reason, its mend and the value that still counts", async () => {
  const commit = vi.fn().mockResolvedValueOnce([refusal]).mockResolvedValueOnce([]);
  render(<EditField label="Address" value="127.0.0.9" onCommit={commit} />);
  type("127,0,0,1");
  const alert = await screen.findByRole("alert");
  expect(alert.textContent).toContain("127,0,0,1 has commas");
  expect(alert.textContent).toContain("Still in use: 127.0.0.9");
  fireEvent.click(screen.getByText("Use 127.0.0.1"));
  expect(await screen.findByText("Saved")).toBeTruthy();
  expect(commit).toHaveBeenLastCalledWith("127.0.0.1");
});

test("escape brings the old value back and asks nobody", () => {
  const commit = vi.fn();
  render(<EditField label="Address" value="127.0.0.1" onCommit={commit} />);
  const field = screen.getByLabelText<HTMLInputElement>("Address");
  fireEvent.change(field, { target: { value: "nonsense" } });
  fireEvent.keyDown(field, { key: "Escape" });
  fireEvent.blur(field);
  expect(field.value).toBe("127.0.0.1");
  expect(commit).not.toHaveBeenCalled();
});

test("a value that changed while one typed is not replaced unasked", async () => {
  const commit = vi.fn().mockResolvedValue([]);
  const { rerender } = render(<EditField label="Address" value="127.0.0.1" onCommit={commit} />);
  fireEvent.change(screen.getByLabelText("Address"), { target: { value: "127.0.0.2" } });
  rerender(<EditField label="Address" value="127.0.0.3" onCommit={commit} />);
  fireEvent.keyDown(screen.getByLabelText("Address"), { key: "Enter" });
  expect((await screen.findByRole("alert")).textContent).toContain("changed to “127.0.0.3” while you typed");
  expect(commit).not.toHaveBeenCalled();
  fireEvent.keyDown(screen.getByLabelText("Address"), { key: "Enter" });
  expect(await screen.findByText("Saved")).toBeTruthy();
});
