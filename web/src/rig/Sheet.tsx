import { Check, Download, Minus, Printer, X } from "lucide-react";
import { sheetFile } from "../requests/rig";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { endOf } from "./ends";
import { linkLook } from "./linkWords";
import { useFindings } from "../findings/findings";
import { useRig } from "./rig";

/** The whole rig on paper: what to type at each other end, every host, and how the network compares with it now. */
export function Sheet() {
  const parts = useShow((s) => s.parts);
  const links = useShow((s) => s.links);
  const showName = useShow((s) => s.showName);
  const findings = useFindings();
  const targetViews = useRig((s) => s.view?.targets);
  const targets = partsOf(parts, "target");
  const hosts = partsOf(parts, "host").map((h) => h.part);
  return (
    <article className="print:bg-white print:text-black">
      <div className="mb-3 flex items-center gap-3">
        <h1 className="flex-1 text-2xl font-bold">Rig sheet: {showName}</h1>
        <a
          href={sheetFile()}
          className="inline-flex items-center gap-2 rounded border border-rule bg-raised px-3 py-1.5 print:hidden"
        >
          <Download size={16} aria-hidden /> CSV
        </a>
        <PushButton strong className="print:hidden" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print
        </PushButton>
      </div>
      {targets.length === 0 && (
        <p className="text-quiet">No target yet: the sheet fills as targets are added.</p>
      )}
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b-2 border-rule text-sm text-quiet print:text-black">
            <th className="py-1 pr-3">Target</th>
            <th className="pr-3">What to type at the other end</th>
            <th className="pr-3">What the network shows now</th>
            <th>Versions</th>
          </tr>
        </thead>
        <tbody>
          {targets.map(({ part }) => {
            const link = links.get(part.id);
            const { word, colour } = linkLook(link);
            const own = findings.filter((f) => f.about === part.id && f.accepted === null);
            const view = targetViews?.[part.id];
            return (
              <tr key={part.id} className="border-b border-rule align-top" data-sheet={part.body.name}>
                <td className="py-2 pr-3">
                  <b>{part.body.name}</b>
                  <div className="font-mono text-sm">
                    {part.body.host}:{part.body.port}
                  </div>
                  {part.body.standIn?.inUse && (
                    <div className="text-sm text-quiet print:text-black">
                      now its stand-in, {endOf(part.body).host}:{endOf(part.body).port}
                    </div>
                  )}
                </td>
                <td className="py-2 pr-3">
                  {view?.atVenue}
                  {part.body.keepAlive && (
                    <div className="text-sm text-quiet print:text-black">
                      We send <span className="font-mono">{part.body.keepAlive.address}</span> every{" "}
                      {part.body.keepAlive.everySeconds} s.
                    </div>
                  )}
                </td>
                <td className="py-2 pr-3">
                  <b className={`${colour} print:text-black`}>{word}</b>,{" "}
                  {view?.steps.filter((s) => s.done).length} of {view?.steps.length} steps
                  <Compared part={part.id} />
                  {own.map((f) => (
                    <div key={f.kind} className="text-sm">
                      {f.text}.
                    </div>
                  ))}
                </td>
                <td className="py-2 text-sm">
                  {part.body.ticks.find((t) => t.step === "VERSION_NOTED")?.fact ?? "not noted"}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {hosts.length > 0 && (
        <>
          <h2 className="mt-5 mb-1 text-lg font-bold">Hosts, in the order in which they are listed</h2>
          <table className="w-full border-collapse text-left text-sm">
            <thead>
              <tr className="border-b-2 border-rule text-quiet print:text-black">
                <th className="py-1 pr-3">Host</th>
                <th className="pr-3">Address</th>
                <th className="pr-3">Cabling</th>
                <th className="pr-3">Power-up note</th>
                <th>Note</th>
              </tr>
            </thead>
            <tbody>
              {hosts.map(({ id, body: host }) => (
                <tr key={id} className="border-b border-rule align-top">
                  <td className="py-1 pr-3 font-bold">{host.name}</td>
                  <td className="pr-3">
                    <span className="font-mono">
                      {host.address}/{host.prefix}
                      {host.addressing === "GIVEN" && " (DHCP)"}
                    </span>
                    <Compared part={id} />
                  </td>
                  <td className="pr-3">{host.socket}</td>
                  <td className="pr-3">{host.power}</td>
                  <td>{host.note}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </article>
  );
}

const MARKS = {
  AGREES: { Icon: Check, word: "agrees", colour: "text-in" },
  DIFFERS: { Icon: X, word: "differs", colour: "text-fault" },
  NOT_SEEN: { Icon: Minus, word: "not seen", colour: "text-quiet" },
};

/** What is written down beside what the network shows, field by field. */
function Compared({ part }: { part: string }) {
  const fields = useRig((s) => s.view?.compared)?.filter((field) => field.part === part) ?? [];
  return (
    <ul className="text-sm" aria-label="Compared with the network">
      {fields.map(({ what, written, seen, verdict }) => {
        const { Icon, word, colour } = MARKS[verdict];
        return (
          <li key={what} data-verdict={verdict} className="flex gap-1.5">
            <Icon size={16} className={`mt-0.5 flex-none ${colour} print:text-black`} aria-label={word} />
            <span>
              {what} <span className="font-mono">{written}</span>: {seen}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
