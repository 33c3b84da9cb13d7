import { Outlet } from "react-router";
import { useShow } from "../live/show";
import { LetGo } from "../rig/LetGo";
import { useFollowFindings } from "../findings/findings";
import { useRigWatch } from "../rig/rig";
import { Notices } from "../ui/notices";
import { WhyPanel } from "../why/WhyPanel";
import { LockedBanner } from "./LockedBanner";
import { LostBanner } from "./LostBanner";
import { NotLiveBanner } from "./NotLiveBanner";
import { Ticker } from "./Ticker";
import { useSafetyKeys } from "./useSafetyKeys";
import { Workline } from "./Workline";

/** The frame of every station: the order of the work above, the wire below. */
export function Frame() {
  // nothing can be changed before the show is there to be changed
  const known = useShow((s) => s.showId !== "");
  const locked = useShow((s) => s.parts.has("lock"));
  useRigWatch();
  useFollowFindings();
  useSafetyKeys();
  const noSuchShow = useShow((s) => s.noSuchShow);
  return (
    <div className="frame flex h-full flex-col">
      <Workline />
      <LostBanner />
      <NotLiveBanner />
      <LockedBanner />
      <div className="flex min-h-0 flex-1" data-locked={locked} data-shown>
        {noSuchShow ? (
          <NoSuchShow />
        ) : known ? (
          <Outlet />
        ) : (
          <p className="p-8 text-xl text-quiet">Connecting to the server …</p>
        )}
      </div>
      <Ticker />
      <Notices />
      <LetGo />
      <WhyPanel />
    </div>
  );
}

function NoSuchShow() {
  return (
    <p className="p-8 text-xl">
      There is no such show any more.{" "}
      <a className="underline" href="/">
        Open the live one
      </a>
    </p>
  );
}
