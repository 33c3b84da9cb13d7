import { Check, Search, X } from "lucide-react";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import type { Why } from "../api/types";
import { type Asked, closeWhy, useWhy } from "../live/why";
import { findOut, why } from "../requests/why";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { SidePanel } from "../ui/SidePanel";

/** As long as the server listens on other ports, and a moment for what comes last. */
const FINDING_MS = 10_500;

const AGAIN_MS = 1000;

const RANKS: Record<Why["groups"][number]["rank"], { text: string; tone: string }> = {
  CERTAIN: { text: "Certain", tone: "border-fault text-fault" },
  LIKELY: { text: "Likely", tone: "border-caution text-caution" },
  POSSIBLE: { text: "Possible", tone: "border-quiet text-quiet" },
};

const STAGES: { id: NonNullable<Why["failed"]>; text: string }[] = [
  { id: "BUILT", text: "built" },
  { id: "SENT", text: "sent" },
  { id: "ARRIVED", text: "arrived" },
  { id: "UNDERSTOOD", text: "understood" },
  { id: "ACTED", text: "acted on" },
  { id: "ANSWERED", text: "answered" },
];

/** Why an answer is missing: what may be the cause, the surest first, and what to do about it. */
export function WhyPanel() {
  const asked = useWhy((s) => s.asked);
  const { pathname } = useLocation();
  // what is asked here is not asked on the next screen
  useEffect(() => closeWhy, [pathname]);
  return asked && <Panel key={asked.id} asked={asked} />;
}

function Panel({ asked }: { asked: Asked }) {
  const [known, setKnown] = useState<Why | null>(null);
  const [trouble, setTrouble] = useState("");
  const [findingSince, setFindingSince] = useState<number | null>(null);
  const [found, setFound] = useState(false);

  useEffect(() => {
    let wanted = true;
    const look = () =>
      why(asked).then(
        (told) => {
          if (!wanted) return;
          setKnown(told);
          setTrouble("");
        },
        (e: Error) => wanted && setTrouble(e.message),
      );
    void look();
    const timer = setInterval(() => void look(), AGAIN_MS);
    return () => {
      wanted = false;
      clearInterval(timer);
    };
  }, [asked]);

  useEffect(() => {
    if (findingSince === null) return;
    const timer = setTimeout(() => {
      setFindingSince(null);
      setFound(true);
    }, FINDING_MS);
    return () => clearTimeout(timer);
  }, [findingSince]);

  const find = () => {
    setFound(false);
    setFindingSince(performance.now());
    void report(findOut(known!.target)).then((problems) => problems.length > 0 && setFindingSince(null));
  };

  return (
    <SidePanel title="Why no answer?" onClose={closeWhy}>
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {known === null ? (
        !trouble && <p className="text-quiet">Looking …</p>
      ) : (
        <>
          <p className="[overflow-wrap:anywhere]">
            {known.line && <span className="font-mono text-out">{known.line} </span>}
            {known.targetName ? `to ${known.targetName}` : "It says nothing to any target yet."}
          </p>
          {known.failed && <Stages failed={known.failed} />}
          {known.searchable && known.missing && (
            <section className="flex flex-wrap items-center gap-x-3">
              <PushButton strong disabled={findingSince !== null} onClick={find}>
                <Search size={18} aria-hidden /> Find out
              </PushButton>
              <p role="status" className="min-w-0 flex-1 text-sm text-quiet">
                {findingSince !== null ? (
                  <span className="flex items-center gap-3">
                    <progress className="h-2 flex-1 accent-select" aria-label="Finding out" />
                    Listening …
                  </span>
                ) : found ? (
                  "Done. What came of it is below."
                ) : (
                  `Asks ${known.targetName} what changes nothing, and listens for 10 s on the ports beside ours.`
                )}
              </p>
            </section>
          )}
          <Causes known={known} />
        </>
      )}
    </SidePanel>
  );
}

/** The way of the message, and where it ends if the first cause is the one. */
function Stages({ failed }: { failed: NonNullable<Why["failed"]> }) {
  const at = STAGES.findIndex((stage) => stage.id === failed);
  return (
    <ol aria-label="How far it came" className="flex flex-wrap gap-x-2 gap-y-1 text-sm">
      {STAGES.map((stage, i) => (
        <li
          key={stage.id}
          className={`flex items-center gap-1 ${i < at ? "text-in" : i === at ? "font-bold text-fault" : "text-quiet"}`}
        >
          {i < at ? <Check size={16} aria-hidden /> : i === at ? <X size={16} aria-hidden /> : null}
          {i === at ? `not ${stage.text}` : stage.text}
        </li>
      ))}
    </ol>
  );
}

function Causes({ known }: { known: Why }) {
  return (
    <>
      {known.groups.length === 0 && known.targetName && (
        <p className="text-lg">
          {known.missing
            ? `${known.targetName} answers other messages. Move the control again to see whether it answers this one.`
            : "Nothing is missing now."}
        </p>
      )}
      {known.groups.map((group, i) => (
        <section
          key={group.causes[0]!.suspect}
          data-rank={group.rank}
          aria-label={RANKS[group.rank].text}
          className={`rounded-lg border-l-4 bg-raised p-3 ${RANKS[group.rank].tone}`}
        >
          <h3 className="text-sm font-bold">
            {RANKS[group.rank].text}
            {group.causes.length > 1 && ", one of these"}
          </h3>
          <ul className="flex flex-col gap-2 text-bone">
            {group.causes.map((cause) => (
              <li key={cause.suspect} data-suspect={cause.suspect}>
                <p className={i === 0 && group.causes.length === 1 ? "text-lg font-bold" : "font-bold"}>
                  {cause.says}
                </p>
                <p className={group.causes.length > 1 ? "text-sm" : ""}>
                  {cause.mend}
                  {group.rank !== "CERTAIN" && <span className="text-quiet">. {cause.look}</span>}
                </p>
              </li>
            ))}
          </ul>
          <p className="mt-2 text-sm text-quiet [overflow-wrap:anywhere]">
            Seen: {group.evidence.join(". ")}
            {group.causes.length > 1 && ". From here they cannot be told apart"}
          </p>
        </section>
      ))}
      {known.excluded.length > 0 && (
        <details>
          <summary className="cursor-pointer text-quiet">Excluded ({known.excluded.length})</summary>
          <ul className="mt-1 flex flex-col gap-1 text-sm text-quiet">
            {known.excluded.map((out) => (
              <li key={out.says}>
                <s>{out.says}</s>. {out.because}.
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
