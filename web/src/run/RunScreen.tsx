import { Wrench } from "lucide-react";
import { Link, NavLink, useParams } from "react-router";
import { ControlView } from "../controls/ControlView";
import { LostBanner } from "../frame/LostBanner";
import { NotLiveBanner } from "../frame/NotLiveBanner";
import { Ticker } from "../frame/Ticker";
import { partsOf, useShow } from "../live/show";
import { SilentTargets } from "../rig/SilentTargets";

/** A page to play: nothing on it but its controls, the other pages and the wire. */
export function RunScreen() {
  const { page: wanted } = useParams();
  const parts = useShow((s) => s.parts);
  const pages = partsOf(parts, "page");
  const page = pages.find((p) => p.part.id === wanted) ?? pages[0];

  return (
    <div className="flex h-full flex-col bg-ground" data-mode="run">
      <LostBanner />
      <NotLiveBanner />
      <header className="flex items-center gap-2 px-2 py-1">
        <nav aria-label="Pages" className="flex gap-1">
          {pages.map((p) => (
            <NavLink
              key={p.part.id}
              to={`/run/${p.part.id}`}
              className={`rounded px-4 py-2 text-lg font-bold ${p === page ? "bg-raised" : "text-quiet"}`}
            >
              {p.part.body.name}
            </NavLink>
          ))}
        </nav>
        <SilentTargets />
        <Link
          to={page ? `/layout/${page.part.id}` : "/layout"}
          className="ml-auto flex shrink-0 items-center gap-2 rounded px-3 py-2 text-quiet"
        >
          <Wrench size={18} aria-hidden /> Back to Build
        </Link>
      </header>
      {page ? (
        <main
          className="grid min-h-0 flex-1 gap-1.5 p-2 pt-0"
          style={{
            gridTemplateColumns: `repeat(${page.part.body.columns}, minmax(0, 1fr))`,
            gridTemplateRows: `repeat(${page.part.body.rows}, minmax(0, 1fr))`,
          }}
        >
          {partsOf(parts, "control", page.part.id).map(({ part }) => (
            <div
              key={part.id}
              style={{
                gridColumn: `${part.body.cells.column + 1} / span ${part.body.cells.width}`,
                gridRow: `${part.body.cells.row + 1} / span ${part.body.cells.height}`,
              }}
            >
              <ControlView id={part.id} control={part.body} live />
            </div>
          ))}
        </main>
      ) : (
        <p className="flex-1 p-8 text-xl text-quiet">
          There is no page yet. Build one in Layout, then run it here.
        </p>
      )}
      <Ticker />
    </div>
  );
}
