import { createHashRouter, Navigate } from "react-router";
import { Frame } from "./frame/Frame";
import { HistoryStation } from "./history/HistoryStation";
import { LayoutStation } from "./layout/LayoutStation";
import { Hosts } from "./rig/Hosts";
import { LinesStation } from "./lines/LinesStation";
import { Links } from "./rig/Links";
import { Phrasebooks } from "./phrasebook/Phrasebooks";
import { Machine } from "./rig/Machine";
import { RigStation } from "./rig/RigStation";
import { Sheet } from "./rig/Sheet";
import { RunScreen } from "./run/RunScreen";
import { ShowsStation } from "./shows/ShowsStation";
import { WireStation } from "./wire/WireStation";

/** One address for each station, so that a reload or a bookmark comes back to the same place. */
export const router = createHashRouter([
  {
    element: <Frame />,
    children: [
      {
        path: "/rig",
        element: <RigStation />,
        children: [
          { index: true, element: <Links /> },
          { path: "hosts", element: <Hosts /> },
          { path: "phrasebooks/:book?", element: <Phrasebooks /> },
          { path: "machine", element: <Machine /> },
          { path: "sheet", element: <Sheet /> },
        ],
      },
      { path: "/layout/:page?", element: <LayoutStation /> },
      { path: "/lines", element: <LinesStation /> },
      { path: "/shows", element: <ShowsStation /> },
      { path: "/history", element: <HistoryStation /> },
      { path: "/wire", element: <WireStation /> },
    ],
  },
  { path: "/run/:page?", element: <RunScreen /> },
  { path: "*", element: <Navigate to="/rig" replace /> },
]);
