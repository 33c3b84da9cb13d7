import { Gamepad2, LocateFixed, Route, Wrench } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, NavLink, useNavigate, useParams } from "react-router";
import { LostBanner } from "../frame/LostBanner";
import { NotLiveBanner } from "../frame/NotLiveBanner";
import { Ticker } from "../frame/Ticker";
import { useSafetyKeys } from "../frame/useSafetyKeys";
import { browser } from "../live/browser";
import { inDraft, usualPage } from "../live/laid";
import { useLends } from "../live/lends";
import { partsOf, useShow } from "../live/show";
import { StartOffers } from "../rig/StartOffers";
import { LetGo } from "../rig/LetGo";
import { SilentTargets } from "../rig/SilentTargets";
import { AllToRest } from "./AllToRest";
import { PageView } from "./PageView";
import { useBeside } from "./beside";
import { useFollowing } from "./following";
import { useControlKeys } from "./useControlKeys";
import { useGamepads } from "./useGamepads";
import { useWakeLock } from "./useWakeLock";
import { Notices } from "../ui/notices";
import { useWhy } from "../live/why";

const isMe = (name: string) => name.trim().toLowerCase() === browser.name.trim().toLowerCase();

/** A page to play: nothing on it but its controls, the other pages and the wire. */

export function RunScreen() {
  useSafetyKeys();
  useWakeLock();
  useControlKeys();
  useGamepads();
  const navigate = useNavigate();
  const { page: wanted } = useParams();
  const parts = useShow((s) => s.parts);
  const asked = useShow((s) => s.pageWanted);
  const [path, setPath] = useState(false);
  const why = useWhy((s) => s.asked !== null);
  const aside = useBeside(path || why);
  const lends = useLends((s) => s.sources);
  const { follows, setFollows } = useFollowing();
  const all = partsOf(parts, "page").filter((p) => !inDraft(parts, p.part.id));
  const pages = all.filter((p) => !p.part.body.strip);
  const page = pages.find((p) => p.part.id === wanted) ?? usualPage(pages);
  const strips = all.filter((p) => p.part.body.strip && p.part.parent === page?.part.parent);
  const followed = pages.some((p) => p.part.body.follows !== null);

  useEffect(() => {
    if (asked && (asked.people.length > 0 ? asked.people.some(isMe) : follows))
      void navigate(`/run/${asked.page}`);
  }, [asked, follows, navigate]);

  return (
    <div
      className="run flex h-full flex-col bg-ground"
      data-mode="run"
      onContextMenu={(e) => e.preventDefault()}
    >
      <LostBanner />
      <NotLiveBanner />
      <header className="flex items-center gap-x-2 px-2 py-1 max-sm:gap-x-0">
        <nav aria-label="Pages" className="flex min-w-0 gap-1 overflow-x-auto max-sm:min-w-32 max-sm:flex-1">
          {pages.map((p) => (
            <NavLink
              key={p.part.id}
              to={`/run/${p.part.id}`}
              className={`min-h-11 rounded px-4 py-2 max-sm:px-3 text-lg font-bold whitespace-nowrap ${p === page ? "bg-raised" : "text-quiet"}`}
            >
              {p.part.body.name}
            </NavLink>
          ))}
        </nav>
        <SilentTargets />
        <StartOffers />
        <span className="ml-auto flex shrink-0 items-center">
          {lends.length > 0 && (
            <span
              role="status"
              aria-label="This device lends"
              title="What this device plays with, besides fingers and keys"
              className="flex items-center gap-2 px-2 text-sm text-quiet max-sm:sr-only"
            >
              <Gamepad2 size={18} aria-hidden /> {lends.join(", ")}
            </span>
          )}
          {followed && (
            <button
              aria-pressed={follows}
              className={`flex min-h-11 min-w-11 items-center justify-center gap-2 rounded px-3 py-2 ${follows ? "text-bone" : "text-quiet"}`}
              title="Pages change when a target says so"
              onClick={() => setFollows(!follows)}
            >
              <LocateFixed size={18} aria-hidden /> {follows ? "Follows" : "Stays"}
            </button>
          )}
          {page && (
            <button
              aria-pressed={path}
              className={`flex min-h-11 min-w-11 items-center justify-center gap-2 rounded px-3 py-2 max-sm:hidden ${path ? "text-bone" : "text-quiet"}`}
              aria-label="Path"
              title="The path of what was touched last"
              onClick={() => setPath(!path)}
            >
              <Route size={18} aria-hidden />
            </button>
          )}
          {page && <AllToRest page={page.part.id} />}
          <Link
            to={page ? `/layout/${page.part.id}` : "/layout"}
            className="flex min-h-11 min-w-11 items-center justify-center gap-2 rounded px-3 py-2 whitespace-nowrap text-quiet"
          >
            <Wrench size={18} aria-hidden /> <span className="max-sm:sr-only">Back to Build</span>
          </Link>
        </span>
      </header>
      {page ? (
        <main className="flex min-h-0 flex-1 flex-col">
          {strips.map((strip) => (
            <PageView key={strip.part.id} page={strip} share={strip.part.body.rows} />
          ))}
          <PageView key={page.part.id} page={page} share={page.part.body.rows} />
        </main>
      ) : (
        <p className="flex-1 p-8 text-xl text-quiet">
          There is no page yet. Build one in Layout, then run it here.
        </p>
      )}
      {path && page && aside && <aside.RunPath page={page.part.id} />}
      <Ticker />
      <Notices />
      <LetGo />
      {why && aside && <aside.WhyPanel />}
    </div>
  );
}
