import { createHashRouter, Navigate } from "react-router";
import { Frame } from "./frame/Frame";
import { HistoryStation } from "./history/HistoryStation";
import { LayoutStation } from "./layout/LayoutStation";
import { RigStation } from "./rig/RigStation";
import { RunScreen } from "./run/RunScreen";
import { ShowsStation } from "./shows/ShowsStation";
import { WireStation } from "./wire/WireStation";

/** One address for each station, so that a reload or a bookmark comes back to the same place. */
export const router = createHashRouter([
  {
    element: <Frame />,
    children: [
      { path: "/rig", element: <RigStation /> },
      { path: "/layout/:page?", element: <LayoutStation /> },
      { path: "/shows", element: <ShowsStation /> },
      { path: "/history", element: <HistoryStation /> },
      { path: "/wire", element: <WireStation /> },
    ],
  },
  { path: "/run/:page?", element: <RunScreen /> },
  { path: "*", element: <Navigate to="/rig" replace /> },
]);
