import { createHashRouter, Navigate } from "react-router";
import { NotLoaded } from "./NotLoaded";

const stations = () => import("./stations");
const run = () => import("./run/RunScreen");

type Station = Exclude<keyof Awaited<ReturnType<typeof stations>>, "default">;

const station = (name: Station) => async () => ({ Component: (await stations())[name] });

/** One address for each station, so that a reload or a bookmark comes back to the same place. */
export const router = createHashRouter([
  {
    errorElement: <NotLoaded />,
    HydrateFallback: () => null,
    children: [
      {
        lazy: station("Frame"),
        children: [
          {
            path: "/rig",
            lazy: station("RigStation"),
            children: [
              { index: true, lazy: station("Links") },
              { path: "hosts", lazy: station("Hosts") },
              { path: "phrasebooks/:book?", lazy: station("Phrasebooks") },
              { path: "machine", lazy: station("Machine") },
              { path: "sheet", lazy: station("Sheet") },
            ],
          },
          { path: "/layout/:page?", lazy: station("LayoutStation") },
          { path: "/lines", lazy: station("LinesStation") },
          { path: "/shows", lazy: station("ShowsStation") },
          { path: "/history", lazy: station("HistoryStation") },
          { path: "/wire", lazy: station("WireStation") },
        ],
      },
      { path: "/run/:page?", lazy: async () => ({ Component: (await run()).RunScreen }) },
      { path: "*", element: <Navigate to="/rig" replace /> },
    ],
  },
]);

/** Loads what was not asked for yet, so that every station can be gone to while the server is away. */
export async function loadTheRest(): Promise<void> {
  await Promise.all([stations(), run()]);
}
