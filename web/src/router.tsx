import { Suspense } from "react";
import { createHashRouter, Navigate, Outlet } from "react-router";
import { NotLoaded } from "./frame/NotLoaded";
import { Later, useLater } from "./later";
import { beside } from "./run/beside";

const stations = new Later(() => import("./stations"));
const run = new Later(() => import("./run/RunScreen"));

/** How long a device that plays a page is left in peace with it before the rest is fetched. */
const REST_MS = 2000;

function Station({ name }: { name: keyof Awaited<ReturnType<typeof stations.fetch>> }) {
  const Here = useLater(stations)[name];
  return <Here />;
}

function Run() {
  const { RunScreen } = useLater(run);
  return <RunScreen />;
}

/** One address for each station, so that a reload or a bookmark comes back to the same place. */
export const router = createHashRouter([
  {
    element: (
      <Suspense>
        <Outlet />
      </Suspense>
    ),
    errorElement: <NotLoaded />,
    children: [
      {
        element: <Station name="Frame" />,
        children: [
          {
            path: "/rig",
            element: <Station name="RigStation" />,
            children: [
              { index: true, element: <Station name="Links" /> },
              { path: "hosts", element: <Station name="Hosts" /> },
              { path: "phrasebooks/:book?", element: <Station name="Phrasebooks" /> },
              { path: "machine", element: <Station name="Machine" /> },
              { path: "sheet", element: <Station name="Sheet" /> },
            ],
          },
          { path: "/layout/:page?", element: <Station name="LayoutStation" /> },
          {
            path: "/lines",
            element: <Station name="LinesStation" />,
            children: [
              { index: true, element: <Station name="AllLines" /> },
              { path: "forwards", element: <Station name="ForwardsView" /> },
              { path: "values", element: <Station name="NamedValuesView" /> },
              { path: "coverage/:target?", element: <Station name="CoverageView" /> },
            ],
          },
          { path: "/cues/:list?", element: <Station name="CuesStation" /> },
          { path: "/shows", element: <Station name="ShowsStation" /> },
          { path: "/history", element: <Station name="HistoryStation" /> },
          { path: "/glossary", element: <Station name="Glossary" /> },
          {
            path: "/proof",
            element: <Station name="ProofStation" />,
            children: [
              { index: true, element: <Station name="Prove" /> },
              { path: "reports", element: <Station name="Reports" /> },
              { path: "reports/:number", element: <Station name="ReportPage" /> },
              { path: "findings", element: <Station name="FindingsPage" /> },
              { path: "ready", element: <Station name="ReadyCheck" /> },
              { path: "watch", element: <Station name="WatchPage" /> },
            ],
          },
          { path: "/wire/:view?", element: <Station name="WireStation" /> },
        ],
      },
      { path: "/run/:page?", element: <Run /> },
      { path: "*", element: <Navigate to="/rig" replace /> },
    ],
  },
]);

/**
 * Fetches what the address asks for; the rest follows by itself, so that every station can be gone to while the server is
 * away. What cannot be fetched says so where it would stand.
 */
export async function firstPart(): Promise<void> {
  const playing = location.hash.startsWith("#/run");
  const [first, ...rest] = playing ? [run, beside, stations] : [stations, run, beside];
  await first.fetch().catch(() => undefined);
  setTimeout(() => rest.forEach((part) => void part.fetch().catch(() => undefined)), playing ? REST_MS : 0);
}
