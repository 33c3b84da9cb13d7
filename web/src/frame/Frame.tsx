import { Outlet } from "react-router";
import { useShow } from "../live/show";
import { Notices } from "../ui/notices";
import { LostBanner } from "./LostBanner";
import { Ticker } from "./Ticker";
import { Workline } from "./Workline";

/** The frame of every station: the order of the work above, the wire below. */
export function Frame() {
  // nothing can be changed before the show is there to be changed
  const known = useShow((s) => s.showId !== "");
  return (
    <div className="flex h-full flex-col">
      <Workline />
      <LostBanner />
      <div className="flex min-h-0 flex-1">
        {known ? <Outlet /> : <p className="p-8 text-xl text-quiet">Connecting to the server …</p>}
      </div>
      <Ticker />
      <Notices />
    </div>
  );
}
