import { CheckCircle2, CircleDashed, Printer, RefreshCw, XCircle } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import { Link } from "react-router";
import type { Ready } from "../api/types";
import { command } from "../live/connection";
import { partsOf, useShow } from "../live/show";
import { wayTo } from "../live/whereIs";
import { ready } from "../requests/ready";
import { PushButton } from "../ui/buttons";
import { clockTime } from "../ui/time";

/** Of each question so many are shown at first, so that the page shows all questions; the rest on request. */
const FIRST_ITEMS = 5;

/** Who is asked and is there has answered by then. */
const ASKED_MS = 1500;

/** One page before the doors open: what is ready, and what is not. */
export function ReadyCheck() {
  const live = useShow((s) => s.live);
  const showName = useShow((s) => s.showName);
  const [told, setTold] = useState<Ready | null>(null);
  const [trouble, setTrouble] = useState("");
  const [looking, setLooking] = useState(true);

  const look = useCallback(
    () =>
      ready().then(
        (fresh) => {
          setTold(fresh);
          setTrouble("");
        },
        (e: Error) => setTrouble(e.message),
      ),
    [],
  );
  const ask = useCallback(() => {
    for (const { part } of partsOf(useShow.getState().parts, "target"))
      command({ kind: "findOut", target: part.id });
    return setTimeout(() => void look().finally(() => setLooking(false)), ASKED_MS);
  }, [look]);
  useEffect(() => {
    if (!live) return;
    void look();
    const asked = ask();
    return () => clearTimeout(asked);
  }, [live, look, ask]);

  if (!live)
    return (
      <main className="p-8 text-lg text-quiet">
        This show is not live. Open the live one, or bring this one live in Shows; then it can be checked.
      </main>
    );
  const open = told?.checks.filter((check) => check.items.length > 0).length ?? 0;
  return (
    <main className="mx-auto w-full max-w-5xl overflow-auto p-5 print:bg-white print:text-black">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-bold">Ready check</h1>
        <p className="min-w-0 flex-1 text-quiet max-sm:order-last max-sm:basis-full print:text-black">
          {showName}
          {told && `, ${clockTime(told.atMillis)}`}
        </p>
        <PushButton
          strong
          className="print:hidden"
          disabled={looking}
          onClick={() => {
            setLooking(true);
            ask();
          }}
        >
          <RefreshCw size={18} aria-hidden /> {looking ? "Asking …" : "Check again"}
        </PushButton>
        <PushButton className="print:hidden" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </PushButton>
      </div>
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {told && (
        <>
          <p
            role="status"
            className={`mb-4 rounded-lg border-2 px-4 py-2 text-2xl font-bold ${
              trouble ? "border-caution text-caution" : open ? "border-fault text-fault" : "border-in text-in"
            }`}
          >
            {trouble
              ? "Not known now: what is below is from before"
              : open === 0
                ? "Ready"
                : `Not ready: ${open} of ${told.checks.length} checks`}
          </p>
          <ul className={`flex flex-col gap-2 ${trouble ? "opacity-60" : ""}`}>
            {told.checks.map((check) => (
              <Question key={check.question} check={check} />
            ))}
          </ul>
          <p className="mt-3 text-sm text-quiet print:hidden">
            Every target was asked what changes nothing. Nothing else was sent.
          </p>
        </>
      )}
    </main>
  );
}

function Question({ check }: { check: Ready["checks"][number] }) {
  const parts = useShow((s) => s.parts);
  const good = check.items.length === 0;
  // what was proved before its target was away did not fail
  const onlyGrey = check.items.length === check.grey;
  const Icon = good ? CheckCircle2 : onlyGrey ? CircleDashed : XCircle;
  const [whole, setWhole] = useState(false);
  const items = whole ? check.items : check.items.slice(0, FIRST_ITEMS);
  return (
    <li
      data-question={check.question}
      data-ready={good}
      className="rounded-lg border border-rule bg-panel px-4 py-2"
    >
      <h2 className="flex items-center gap-3 text-lg font-bold">
        <Icon
          size={24}
          className={`flex-none ${good ? "text-in" : onlyGrey ? "text-caution" : "text-fault"}`}
          aria-label={good ? "ready" : onlyGrey ? "not known" : "not ready"}
        />
        <span className="min-w-0 flex-1">{check.title}</span>
        {check.grey > 0 && (
          <span className="text-base font-normal text-quiet">{check.grey} proved before, not known now</span>
        )}
        <span className={onlyGrey ? "text-quiet" : "text-fault"}>
          {check.looked - check.items.length} of {check.looked}
        </span>
      </h2>
      {items.length > 0 && (
        <ul className="mt-1 flex flex-col gap-0.5 pl-9">
          {items.map((item, i) => (
            <li key={`${item.about} ${i}`}>
              <Link className="font-bold underline" to={wayTo(item.about, parts) ?? "/rig"}>
                {item.name || "A part that is gone"}
              </Link>{" "}
              <span className="text-quiet [overflow-wrap:anywhere]">{item.says}</span>
            </li>
          ))}
          {check.items.length > FIRST_ITEMS && (
            <li>
              <button
                className="min-h-11 font-bold text-quiet underline print:no-underline"
                aria-expanded={whole}
                onClick={() => setWhole(!whole)}
              >
                {whole
                  ? `Only the first ${FIRST_ITEMS}`
                  : `and ${check.items.length - items.length} more: show all`}
              </button>
            </li>
          )}
        </ul>
      )}
    </li>
  );
}
