import { ChevronDown, ChevronRight, Wrench } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { Found } from "../api/types";
import { nameOf, pageOf } from "../live/laid";
import { partOf, useShow } from "../live/show";
import { wayTo } from "../live/whereIs";
import { select } from "../layout/selection";
import { mend } from "../requests/findings";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { Accept, FindingLine, SEVERITIES } from "./FindingLine";
import { useFindings } from "./findings";
import { type Group, grouped, isOpen } from "./found";

const AREAS: { area: Found["area"]; name: string }[] = [
  { area: "RIG", name: "Rig" },
  { area: "PHRASEBOOKS", name: "Phrasebooks" },
  { area: "LINES", name: "Lines" },
  { area: "PAGES", name: "Pages" },
];

const KEYS = Object.keys(SEVERITIES) as (keyof typeof SEVERITIES)[];
/** More of one kind and cause than this are one line until it is opened. */
const TOGETHER = 2;

/** All that the checks found, by station: what stops the show first, what has one cause together. */
export function FindingsPage() {
  const all = useFindings();
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const open = all.filter(isOpen);
  const accepted = all.filter((found) => !isOpen(found));
  const shown = open.filter((found) => !hidden.has(found.severity));
  const toggle = (severity: string) =>
    setHidden((before) => {
      const after = new Set(before);
      if (!after.delete(severity)) after.add(severity);
      return after;
    });

  return (
    <main className="mx-auto w-full max-w-[84rem] min-h-0 flex-1 overflow-auto px-5 py-4 max-md:px-2">
      <header className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-bold">Findings</h1>
        <span className="flex flex-wrap gap-2" role="group" aria-label="Shown">
          {KEYS.map((severity) => {
            const { word, Icon, text } = SEVERITIES[severity];
            const count = open.filter((found) => found.severity === severity).length;
            return (
              <PushButton
                key={severity}
                aria-pressed={!hidden.has(severity)}
                className={hidden.has(severity) ? "opacity-50" : ""}
                onClick={() => toggle(severity)}
              >
                <Icon size={18} className={text} aria-hidden /> {word} <b>{count}</b>
              </PushButton>
            );
          })}
        </span>
      </header>
      {open.length === 0 && (
        <p className="text-lg text-quiet">
          Nothing was found. Rig, phrasebooks, lines and pages are checked again with every edit.
        </p>
      )}
      {AREAS.map(({ area, name }) => {
        const here = shown.filter((found) => found.area === area);
        return (
          here.length > 0 && (
            <section key={area} aria-label={name} className="mb-5">
              <h2 className="mb-1.5 text-lg font-bold">
                {name} <span className="font-normal text-quiet">{here.length}</span>
              </h2>
              <Groups found={here} />
            </section>
          )
        );
      })}
      {accepted.length > 0 && (
        <details>
          <summary className="mb-2 cursor-pointer text-lg">
            Accepted <span className="text-quiet">{accepted.length}</span>
          </summary>
          <Groups found={accepted} />
        </details>
      )}
    </main>
  );
}

function Groups({ found }: { found: Found[] }) {
  return (
    <ul className="flex flex-col gap-1.5">
      {grouped(found).flatMap((group) =>
        group.found.length > TOGETHER && isOpen(group.found[0]!)
          ? [<Together key={group.key} group={group} />]
          : group.found.map((each) => (
              <FindingLine
                key={`${each.kind} ${each.about} ${each.facts}`}
                found={each}
                where={<Where found={each} />}
              />
            )),
      )}
    </ul>
  );
}

/** Findings of one kind and one cause, as one line with one press for all. */
function Together({ group: { found } }: { group: Group }) {
  const [opened, setOpened] = useState(false);
  const parts = useShow((s) => s.parts);
  const { severity, title, cause } = found[0]!;
  const { word, Icon, text, border } = SEVERITIES[severity];
  const body = parts.get(cause)?.part.body;
  const name = body && "name" in body ? body.name : "";
  const mendable = found.filter(({ remedy, alone }) => remedy !== null && !alone);
  const Arrow = opened ? ChevronDown : ChevronRight;
  return (
    <li data-group={found[0]!.kind} className={`rounded border ${border}`}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-1.5">
        <button
          className="flex min-w-52 flex-1 items-center gap-3 text-left"
          aria-expanded={opened}
          onClick={() => setOpened(!opened)}
        >
          <Icon size={20} className={`flex-none ${text}`} aria-label={word} />
          <span>
            <b>{title}</b>: {found.length} {name && `on ${name}`}
          </span>
          <Arrow size={18} className="flex-none text-quiet" aria-hidden />
        </button>
        <span className="ml-auto flex gap-2">
          {mendable.length > 1 && (
            <PushButton strong onClick={() => void report(mend(mendable))}>
              <Wrench size={16} aria-hidden /> Mend all {mendable.length}
            </PushButton>
          )}
          <Accept found={found}>
            <PushButton>Accept all …</PushButton>
          </Accept>
        </span>
      </div>
      {opened && (
        <ul className="flex flex-col gap-1.5 border-t border-rule p-2">
          {found.map((each) => (
            <FindingLine key={`${each.about} ${each.facts}`} found={each} where={<Where found={each} />} />
          ))}
        </ul>
      )}
    </li>
  );
}

/** Leads to where it is mended, by the name of a control or a forward; what is said of others names them. */
function Where({ found: { about } }: { found: Found }) {
  const parts = useShow((s) => s.parts);
  const path = wayTo(about, parts);
  const held = parts.get(about);
  if (!path || !held) return null;
  const { body } = held.part;
  const control = partOf(parts, "control", about);
  const page = partOf(parts, "page", control && pageOf(parts, about));
  const name = control
    ? `${nameOf(control.part.body)}${page ? ` on ${page.part.body.name}` : ""}`
    : body.kind === "forward"
      ? body.name
      : body.kind === "cue"
        ? `Cue ${body.number} ${body.name}`.trim()
        : body.kind === "song"
          ? `Song ${body.name}`
          : "Show it";
  return (
    <Link className="whitespace-nowrap text-quiet underline" to={path} onClick={() => select(about)}>
      {name}
    </Link>
  );
}
