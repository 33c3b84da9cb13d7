import { ChevronDown, History, Lock, LockOpen, Moon, Play, Sun } from "lucide-react";
import { Fragment, useState } from "react";
import { NavLink, useMatch } from "react-router";
import { lock } from "../requests/edits";
import { browser } from "../live/browser";
import { rename } from "../live/connection";
import { partOf, partsOf, useShow } from "../live/show";
import { useLearnProved, useProvedCount } from "../proof/proved";
import { useLearnWatch, useWatchOpen } from "../proof/watch";
import { useFindings } from "../findings/findings";
import { counts } from "../findings/found";
import { Shortcuts } from "./Shortcuts";
import { report } from "../ui/notices";
import { setTheme, useTheme } from "../ui/theme";
import { StartOffers, useBack } from "../rig/StartOffers";

/** The stations in the order of the work, each with a mark computed from the show. */
export function Workline() {
  const parts = useShow((s) => s.parts);
  const links = useShow((s) => s.links);
  const showName = useShow((s) => s.showName);
  const page = useMatch("/layout/:page")?.params.page;
  const live = useShow((s) => s.live);
  const targets = partsOf(parts, "target");
  const controls = partsOf(parts, "control");
  const findings = useFindings().filter(counts);
  const inLayout = findings.filter(({ area }) => area === "LINES" || area === "PAGES").length;
  const inRig = findings.length - inLayout;
  const held = targets.filter((t) => (links.get(t.part.id)?.gate ?? "OPEN") !== "OPEN").length;
  const proved = useProvedCount();
  useLearnProved();
  useLearnWatch();
  const wrong = useWatchOpen();
  // what is offered needs room: marks take two lines then, on a screen that is not wide
  const tight = useBack().length > 0;
  const answering = targets.filter((t) => links.get(t.part.id)?.state === "ANSWERING").length;

  return (
    <header className="flex items-stretch gap-1 border-b border-rule bg-panel px-3 max-sm:px-1.5">
      <NavLink
        to="/shows"
        className="flex items-center gap-2 pr-4 text-lg font-bold max-sm:gap-0.5 max-sm:pr-1"
        aria-label="Shows"
      >
        <img src="/mark.svg" alt="" className="h-7 w-7" />
        <span className="max-w-52 truncate max-xl:max-w-36 max-sm:sr-only">{showName || "Connecting …"}</span>
        <ChevronDown size={18} aria-hidden />
      </NavLink>
      <nav
        aria-label="Stations"
        data-tight={tight}
        className="group/stations flex max-sm:min-w-0 max-sm:flex-1 max-sm:overflow-x-auto"
      >
        <Station
          to="/rig"
          name="Rig"
          mark={[
            `${answering} of ${targets.length} answering`,
            held > 0 && `${held} held`,
            inRig > 0 && found(inRig),
          ]
            .filter(Boolean)
            .join(" · ")}
        />
        <Station
          to="/layout"
          name="Layout"
          mark={[
            `${controls.length} ${controls.length === 1 ? "control" : "controls"}`,
            inLayout > 0 && found(inLayout),
          ]
            .filter(Boolean)
            .join(" · ")}
        />
        <Station to="/cues" name="Cues" mark={useCueMark()} />
        <Station to="/wire" name="Wire" mark={live ? "live" : "not live"} />
        <Station
          to="/proof"
          name="Proof"
          mark={
            wrong > 0
              ? `${wrong} ${wrong === 1 ? "problem" : "problems"}`
              : proved > 0
                ? `${proved} proved`
                : "not proved"
          }
        />
      </nav>
      <StartOffers />
      <div className="flex flex-none items-center gap-2 max-xl:gap-1">
        <div className="flex items-center gap-2 max-xl:gap-0 max-sm:hidden">
          <LockSwitch />
          <ThemeSwitch />
          <Shortcuts />
          <NavLink to="/history" aria-label="History" title="History" className="rounded p-2 text-quiet">
            <History size={20} aria-hidden />
          </NavLink>
          <Name />
        </div>
        <NavLink
          to={page ? `/run/${page}` : "/run"}
          className="flex items-center gap-2 rounded bg-bone px-4 py-1.5 text-lg font-bold text-ink max-xl:px-3 max-sm:min-h-11 max-sm:gap-1 max-sm:px-3"
        >
          <Play size={18} aria-hidden /> Run
        </NavLink>
      </div>
    </header>
  );
}

/** What is next of the first list, or that there is none. */
function useCueMark(): string {
  const parts = useShow((s) => s.parts);
  const list = partsOf(parts, "cueList")[0]?.part.id;
  const next = useShow((s) => s.cues.get(list ?? "")?.state.next);
  if (!list) return "no list";
  const cue = partOf(parts, "cue", next);
  return cue ? `next ${cue.part.body.number}` : "at the end";
}

const found = (count: number) => `${count} ${count === 1 ? "finding" : "findings"}`;

function Station({ to, name, mark }: { to: string; name: string; mark: string }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `flex flex-none flex-col justify-center border-b-4 px-4 py-1.5 leading-tight max-xl:px-2 max-sm:px-2 ${
          isActive ? "border-bone bg-raised" : "border-transparent text-quiet"
        }`
      }
    >
      <span className="text-lg font-bold">{name}</span>
      <span className="max-w-56 text-sm text-quiet max-2xl:group-data-[tight=true]/stations:max-w-32 max-2xl:group-data-[tight=true]/stations:text-xs max-2xl:group-data-[tight=true]/stations:leading-[1.1] max-xl:max-w-28 max-xl:text-xs max-xl:leading-[1.1] max-sm:hidden">
        {mark.split(" · ").map((part, i) => (
          <Fragment key={part}>
            <span className="whitespace-nowrap">
              {i > 0 && "· "}
              {part}
            </span>{" "}
          </Fragment>
        ))}
      </span>
    </NavLink>
  );
}

/** A locked show is operated and not changed; who locked it is said where somebody tries. */
function LockSwitch() {
  const locked = useShow((s) => s.parts.get("lock")) !== undefined;
  const Icon = locked ? Lock : LockOpen;
  return (
    <button
      aria-label={locked ? "Unlock the show" : "Lock the show"}
      aria-pressed={locked}
      title={locked ? "Locked: it can be operated, not changed" : "Lock: operate, not change"}
      className={`flex items-center gap-1 rounded p-2 ${locked ? "bg-caution font-bold text-ink" : "text-quiet"}`}
      onClick={() => void report(lock(!locked))}
    >
      <Icon size={20} aria-hidden /> {locked && "Locked"}
    </button>
  );
}

function ThemeSwitch() {
  const theme = useTheme((s) => s.theme);
  const other = theme === "night" ? "day" : "night";
  const Icon = other === "day" ? Sun : Moon;
  return (
    <button
      aria-label={`Switch to the ${other} theme`}
      className="rounded p-2 text-quiet"
      onClick={() => setTheme(other)}
    >
      <Icon size={20} aria-hidden />
    </button>
  );
}

/** The name of this browser, as others see it on what it touches and edits. */
function Name() {
  const [name, setName] = useState(browser.name);
  return (
    <label className="flex items-center gap-2 text-sm text-quiet">
      <span className="max-2xl:sr-only">You are</span>
      <input
        className="w-24 rounded border max-xl:w-16 border-rule bg-ground px-2 py-1 text-bone"
        value={name}
        maxLength={40}
        onChange={(e) => setName(e.target.value)}
        onBlur={() => {
          const wanted = name.trim() || browser.name;
          setName(wanted);
          if (wanted !== browser.name) rename(wanted);
        }}
        onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
      />
    </label>
  );
}
