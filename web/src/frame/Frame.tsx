import { Outlet } from "react-router";
import { Notices } from "../ui/notices";
import { LostBanner } from "./LostBanner";
import { Ticker } from "./Ticker";
import { Workline } from "./Workline";

/** The frame of every station: the order of the work above, the wire below. */
export function Frame() {
  return (
    <div className="flex h-full flex-col">
      <Workline />
      <LostBanner />
      <div className="flex min-h-0 flex-1">
        <Outlet />
      </div>
      <Ticker />
      <Notices />
    </div>
  );
}
