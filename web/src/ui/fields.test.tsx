// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { NumberField, of } from "./fields";

afterEach(cleanup);

const problem = (field: string) => ({ part: null, field, message: field, mend: null });

test("a field shows its own problems, or those that concern all", async () => {
  expect(await of("port", Promise.resolve([problem("host"), problem("port")]))).toEqual([problem("port")]);
  expect(await of("port", Promise.resolve([problem("")]))).toEqual([problem("")]);
});

test.each([
  ["71o1", true, "“71o1” is not a whole number"],
  ["1.5", true, "“1.5” is not a whole number"],
  ["", false, "“” is not a number"],
  ["0,5", false, "“0,5” is not a number"],
])("text that is no number never leaves: %s", async (text, whole, message) => {
  const commit = vi.fn();
  render(<NumberField label="Port" value={1} whole={whole} onCommit={commit} />);
  fireEvent.change(screen.getByLabelText("Port"), { target: { value: text } });
  fireEvent.keyDown(screen.getByLabelText("Port"), { key: "Enter" });
  expect((await screen.findByRole("alert")).textContent).toContain(message);
  expect(commit).not.toHaveBeenCalled();
});

test("a comma for the dot is mended", async () => {
  const commit = vi.fn().mockResolvedValue([]);
  render(<NumberField label="Low" value={1} onCommit={commit} />);
  fireEvent.change(screen.getByLabelText("Low"), { target: { value: "0,5" } });
  fireEvent.keyDown(screen.getByLabelText("Low"), { key: "Enter" });
  fireEvent.click(await screen.findByText("Use 0.5"));
  await screen.findByText("Saved");
  expect(commit).toHaveBeenCalledWith(0.5);
});
