// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { useShow } from "../live/show";
import { goLive } from "../requests/shows";
import { GoLive } from "./GoLive";

vi.mock("../requests/shows", () => ({ goLive: vi.fn() }));

afterEach(cleanup);

test("who went on while their show went live stays where they are", async () => {
  history.replaceState(null, "", "/?show=walk#/rig");
  useShow.setState({ showId: "walk" });
  let answered: (done: Awaited<ReturnType<typeof goLive>>) => void = () => undefined;
  vi.mocked(goLive).mockReturnValue(new Promise((resolve) => (answered = resolve)));
  render(
    <GoLive show="walk" name="Evening walk">
      <button>Go live …</button>
    </GoLive>,
  );
  fireEvent.click(screen.getByText("Go live …"));
  fireEvent.click(screen.getByText("Go live"));
  history.replaceState(null, "", "/?show=walk#/layout");
  answered({ show: "walk", problems: [] });
  await waitFor(() => expect(goLive).toHaveResolved());
  await Promise.resolve();
  expect(location.hash).toBe("#/layout");
});
