import { CheckCircle2, Printer, RotateCcw, XCircle } from "lucide-react";
import { Link } from "react-router";
import type { Incident } from "../api/types";
import { askWhy } from "../live/why";
import { useShow } from "../live/show";
import { wayTo } from "../live/whereIs";
import { beginWatch } from "../requests/watch";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { timeOfDay } from "../ui/time";
import { lookAgain, useWatch } from "./watch";
import { plural } from "./verdicts";

const time = (millis: number) => timeOfDay(new Date(millis));

/** What went wrong while the show plays: watched quietly, so that nothing is sent for it and nothing pops up. */
export function WatchPage() {
  const live = useShow((s) => s.live);
  const { now, trouble } = useWatch();
  if (!live)
    return (
      <main className="p-8 text-lg text-quiet">
        This show is not live. Open the live one, or bring this one live in Shows; then it is watched.
      </main>
    );
  return (
    <main className="mx-auto w-full max-w-[84rem] overflow-auto p-5 print:bg-white print:text-black">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-bold">Watch</h1>
        <p className="min-w-0 flex-1 text-quiet max-sm:order-last max-sm:basis-full print:text-black">
          {now && `since ${time(now.since)}. Links and answers are watched; nothing is sent for it.`}
        </p>
        <PushButton
          className="print:hidden"
          title="What happened before is forgotten, for everybody"
          onClick={() => void report(beginWatch()).then(lookAgain)}
        >
          <RotateCcw size={18} aria-hidden /> Begin anew
        </PushButton>
        <PushButton className="print:hidden" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </PushButton>
      </div>
      {trouble && (
        <p role="alert" className="mb-3 text-fault">
          {trouble}
        </p>
      )}
      {now && (
        <>
          <p
            role="status"
            className={`mb-4 rounded-lg border-2 px-4 py-2 text-2xl font-bold ${trouble ? "border-caution text-caution" : now.open > 0 ? "border-fault text-fault" : "border-in text-in"}`}
          >
            {trouble
              ? "Not known now: what is below is from before"
              : now.open > 0
                ? `${plural(now.open, "problem")} now`
                : "No problem now"}
            <span className="ml-4 text-lg font-normal text-quiet">
              {now.well} of {plural(now.links, "target")} there
              {now.incidents.length > now.open && `, ${now.incidents.length - now.open} over`}
            </span>
          </p>
          {now.incidents.length === 0 ? (
            <p className="text-lg text-quiet">
              Nothing went wrong. What is not answered, lost or not sent from now on is listed here, once
              each, with how often it happened.
            </p>
          ) : (
            <ul aria-label="What went wrong, the newest first">
              {now.incidents.map((each) => (
                <Row key={`${each.kind} ${each.target} ${each.control} ${each.about}`} incident={each} />
              ))}
            </ul>
          )}
        </>
      )}
    </main>
  );
}

function Row({ incident }: { incident: Incident }) {
  const parts = useShow((s) => s.parts);
  const over = incident.over !== null;
  const Icon = over ? CheckCircle2 : XCircle;
  const where = incident.control && wayTo(incident.control, parts);
  return (
    <li
      data-incident={incident.kind}
      data-over={over}
      className="grid grid-cols-[10rem_13rem_6rem_minmax(12rem,1.4fr)_minmax(8rem,0.8fr)_4rem] items-start gap-3 border-b border-raised px-2 py-1.5 max-md:grid-cols-[1fr_auto] max-md:gap-y-0"
    >
      <span className={`flex items-center gap-1.5 font-bold ${over ? "text-quiet" : "text-fault"}`}>
        <Icon size={18} className="flex-none" aria-label={over ? "over" : "not over"} />
        {incident.word}
        {incident.count > 1 && <span className="font-normal">× {incident.count}</span>}
      </span>
      <span className="font-mono">
        {time(incident.first)}
        {incident.count > 1 && ` – ${time(incident.last)}`}
        {incident.over !== null && <span className="block text-in">well {time(incident.over)}</span>}
      </span>
      <span className="min-w-0 font-bold [overflow-wrap:anywhere]">{incident.name || "nobody"}</span>
      <span className="min-w-0">
        <span className="block [overflow-wrap:anywhere]">{incident.says}</span>
        {incident.about && (
          <span className="block font-mono text-sm text-quiet [overflow-wrap:anywhere]">
            {incident.about}
          </span>
        )}
      </span>
      <span className="min-w-0 [overflow-wrap:anywhere]">
        {where ? (
          <Link className="underline" to={where}>
            {incident.label}
          </Link>
        ) : (
          incident.label
        )}
      </span>
      <span className="text-right print:hidden">
        {!over && (incident.control ?? incident.target) && (
          <button
            className="font-bold underline"
            onClick={() =>
              askWhy(
                incident.control
                  ? { of: "control", id: incident.control }
                  : { of: "target", id: incident.target! },
              )
            }
          >
            Why?
          </button>
        )}
      </span>
    </li>
  );
}
