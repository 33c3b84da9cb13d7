import { ArrowLeft, ArrowRight, ChevronDown, ChevronUp, Copy } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { Link, Target } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { askWhy } from "../live/why";
import { PushButton } from "../ui/buttons";
import { endOf } from "./ends";
import { FindingList } from "../findings/FindingLine";
import { useFindingsOf } from "../findings/findings";
import { GateSwitch } from "./GateSwitch";
import { isSilent, linkLook, LinkMark } from "./linkWords";
import { useTargetView } from "./rig";
import { TargetSettings } from "./TargetSettings";

/** One target as a drawing: our end on the left, its end on the right, the way out above and the way in below. */
export function TargetRow({ held, startsOpen }: { held: HeldOf<Target>; startsOpen: boolean }) {
  const target = held.part.body;
  const link = useShow((s) => s.links.get(held.part.id));
  const live = useShow((s) => s.live);
  const hosts = useShow((s) => s.parts);
  const findings = useFindingsOf(held.part.id);
  const [open, setOpen] = useState(startsOpen);
  const end = endOf(target);
  const host = partsOf(hosts, "host").find((h) => h.part.body.address === target.host)?.part.body.name;
  const ours = link?.socket.ourHost ?? "";
  const words = useTargetView(held.part.id)?.otherEnd ?? "";
  const tcp = target.transport !== "UDP";
  const Chevron = open ? ChevronUp : ChevronDown;
  const row = useRef<HTMLLIElement>(null);
  // a target that was just added is seen, and can be named at once
  useEffect(() => {
    if (!startsOpen) return;
    const name = row.current?.querySelector<HTMLInputElement>("[data-name] input");
    row.current?.scrollIntoView({ block: "start" });
    name?.focus({ preventScroll: true });
    name?.select();
  }, [startsOpen]);

  return (
    <li ref={row} className="rounded-lg border border-rule bg-panel" data-target={target.name}>
      <div className="flex items-center gap-4 px-4 pt-1.5 max-md:flex-wrap max-md:gap-2 max-md:px-3">
        <h2 className="max-w-56 text-xl font-bold [overflow-wrap:anywhere]">{target.name}</h2>
        <p className="min-w-0 flex-1 text-quiet">
          {host && `on ${host}`}
          {target.standIn?.inUse && (
            <span className="ml-2 rounded border border-caution px-1.5 text-sm text-caution">stand-in</span>
          )}
        </p>
        {live && <GateSwitch target={held.part.id} name={target.name} />}
        <PushButton
          aria-expanded={open}
          aria-label={`Settings of ${target.name}`}
          onClick={() => setOpen(!open)}
        >
          Settings <Chevron size={18} aria-hidden />
        </PushButton>
      </div>

      <div className="grid grid-cols-[11rem_1fr_auto_1fr_11rem] items-center gap-x-3 px-4 pb-1 max-md:grid-cols-2 max-md:px-3 max-md:[&>:nth-child(2)]:col-span-2 max-md:[&>:nth-child(2)]:row-start-2 max-md:[&>:nth-child(3)]:col-span-2 max-md:[&>:nth-child(4)]:col-span-2 max-md:[&>:nth-child(5)]:col-start-2 max-md:[&>:nth-child(5)]:row-start-1">
        <End title="Our end" host={ours || "not open yet"} port={tcp ? "" : String(target.answerPort)} />
        <Way out target={target} went={(link?.sent ?? 0) > 0} text={sentWords(link)} />
        <div className="min-w-36 text-center text-lg">
          <LinkMark link={link} />
        </div>
        <Way target={target} went={(link?.heard ?? 0) > 0} text={heardWords(link)} />
        <End title="Its end" host={end.host} port={String(end.port)} right />
      </div>

      <div className="flex items-center gap-3 border-t border-rule px-4 py-1">
        <p className="min-w-0 flex-1">
          <span className={`mr-2 ${linkLook(link).colour}`}>{linkLook(link).hint}</span>
          {link && (isSilent(link) || (link.state === "UNHEARD" && link.sent > 0)) && (
            <button
              className="mr-2 font-bold underline"
              onClick={() => askWhy({ of: "target", id: held.part.id })}
            >
              Why no answer?
            </button>
          )}
          <span className="text-quiet">{words}</span>
        </p>
        <button
          type="button"
          title="Copy what to type at the other end"
          aria-label={`Copy what to type at ${target.name}`}
          className="flex-none rounded p-1.5 text-quiet hover:text-bone"
          onClick={() => void navigator.clipboard.writeText(words)}
        >
          <Copy size={18} aria-hidden />
        </button>
      </div>
      {findings.length > 0 && (
        <div className="px-4 pb-3">
          <FindingList findings={findings} label={`Findings of ${target.name}`} />
        </div>
      )}
      {open && <TargetSettings held={held} link={link} />}
    </li>
  );
}

function End({ title, host, port, right }: { title: string; host: string; port: string; right?: boolean }) {
  return (
    <section aria-label={title} className={right ? "text-right" : ""}>
      <h3 className="text-sm text-quiet">{title}</h3>
      <div className="font-mono">
        {host}
        {port && <b className="text-lg">:{port}</b>}
      </div>
    </section>
  );
}

interface WayProps {
  out?: boolean;
  target: Target;
  /** Whether anything went along it yet; else its line is dashed. */
  went: boolean;
  text: string;
}

/** The line of one direction, with the ports at its ends and what went along it. */
function Way({ out, target, went, text }: WayProps) {
  const { port } = endOf(target);
  const silent = !out && target.answering === "NONE";
  return (
    <div className={silent ? "text-quiet" : out ? "text-out" : "text-in"}>
      <div className="text-center font-mono text-sm">
        {out
          ? `${target.answerPort} → ${port}`
          : silent
            ? "nothing comes back"
            : `${target.answerPort} ← ${port}`}
      </div>
      <div className="flex items-center">
        {!out && <ArrowLeft aria-label="in" size={22} className="-mr-2 flex-none" />}
        <span
          data-went={went}
          className={`flex-1 border-t-4 ${went ? "border-solid" : "border-dashed opacity-60"} ${
            silent ? "border-rule" : out ? "border-out" : "border-in"
          }`}
        />
        {out && <ArrowRight aria-label="out" size={22} className="-ml-2 flex-none" />}
      </div>
      <div className="text-center text-sm text-quiet">{text}</div>
    </div>
  );
}

function heardWords(link: Link | undefined): string {
  const answers = link?.answers;
  return [`${link?.heard ?? 0} received`, answers && `answers after ${(answers.median / 1e6).toFixed(1)} ms`]
    .filter(Boolean)
    .join(", ");
}

function sentWords(link: Link | undefined): string {
  if (!link) return "0 sent";
  const extras = [
    link.merged > 0 && `${link.merged} merged by the pace`,
    link.dropped > 0 && `${link.dropped} presses dropped`,
    link.unanswered > 0 && `${link.unanswered} unanswered`,
  ].filter(Boolean);
  return [`${link.sent} sent`, ...extras].join(", ");
}
