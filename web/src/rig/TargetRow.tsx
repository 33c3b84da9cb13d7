import { ArrowLeft, ArrowRight, Copy, Trash2 } from "lucide-react";
import { change, remove } from "../api/edits";
import type { Link, Problem, Target } from "../api/types";
import { type HeldOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { linkLook, LinkMark } from "./linkWords";

/** One target as a drawing: our end on the left, its end on the right, the way out above and the way in below. */
export function TargetRow({ held }: { held: HeldOf<Target> }) {
  const target = held.part.body;
  const link = useShow((s) => s.links.get(held.part.id));
  const put = (field: keyof Target, part: Partial<Target>) =>
    of(
      field,
      change(`Change ${field} of ${target.name}`, "target", held.part.id, (b) => ({ ...b, ...part })),
    );
  const ours = link?.ourHost ?? "";
  const other = `At ${target.name}: receive on port ${target.port}, and send answers to ${ours || "this machine"}, port ${target.answerPort}.`;
  const roundTrip = link?.roundTripNanos;

  return (
    <li className="rounded-lg border border-rule bg-panel" data-target={target.name}>
      <h2 className="border-b border-rule px-4 py-2 text-xl font-bold">{target.name}</h2>
      <div className="grid grid-cols-[minmax(180px,1fr)_minmax(220px,1.2fr)_minmax(300px,1.6fr)] items-start gap-x-4 p-4">
        <section aria-label="Our end" className="flex flex-col gap-2">
          <h3 className="text-sm font-bold text-quiet">Our end</h3>
          <div className="font-mono text-lg">{ours || "not open yet"}</div>
          <NumberField
            label="Answers reach us on port"
            value={target.answerPort}
            whole
            onCommit={(answerPort) => put("answerPort", { answerPort })}
          />
        </section>

        <div className="flex h-full flex-col justify-center gap-3 pt-4 text-center">
          <div className="text-out">
            <span className="font-mono text-sm">
              we send from {target.answerPort} to {target.port}
            </span>
            <div className="flex items-center">
              <span className="h-1 flex-1 rounded bg-out" />
              <ArrowRight aria-label="out" size={24} className="-ml-2" />
            </div>
            <span className="text-sm text-quiet">{sentWords(link)}</span>
          </div>
          <div className="text-lg">
            <LinkMark link={link} />
          </div>
          <div className="text-in">
            <span className="font-mono text-sm">it answers to {target.answerPort}</span>
            <div className="flex items-center">
              <ArrowLeft aria-label="in" size={24} className="-mr-2" />
              <span className={`h-1 flex-1 rounded ${target.answering === "NONE" ? "bg-rule" : "bg-in"}`} />
            </div>
            <span className="text-sm text-quiet">
              {link?.heard ?? 0} heard
              {roundTrip != null && `, answer after ${(roundTrip / 1e6).toFixed(1)} ms`}
            </span>
          </div>
        </div>

        <section aria-label="Its end" className="grid grid-cols-2 gap-2">
          <h3 className="col-span-2 flex items-center justify-between text-sm font-bold text-quiet">
            Its end
            <button
              aria-label={`Remove ${target.name}`}
              className="rounded p-1 text-quiet hover:text-bone"
              onClick={() => void report(remove(`Remove ${target.name}`, held.part.id))}
            >
              <Trash2 size={18} aria-hidden />
            </button>
          </h3>
          <EditField
            label="Name"
            value={target.name}
            onCommit={(name) => put("name", { name })}
            className="col-span-2"
          />
          <EditField label="Address" value={target.host} mono onCommit={(host) => put("host", { host })} />
          <NumberField
            label="It receives on port"
            value={target.port}
            whole
            onCommit={(port) => put("port", { port })}
          />
          <Select
            label="What it answers"
            value={target.answering}
            onChange={(answering) => void report(put("answering", { answering }))}
            options={[
              { value: "QUERIES", text: "changes and questions" },
              { value: "REPORTS", text: "changes only" },
              { value: "NONE", text: "nothing: one-way" },
            ]}
          />
          <EditField
            label="At most, messages a second"
            mono
            value={target.messagesPerSecond === null ? "no limit" : String(target.messagesPerSecond)}
            onCommit={(text) =>
              paced(text, (messagesPerSecond) => put("messagesPerSecond", { messagesPerSecond }))
            }
          />
        </section>
      </div>

      <div className="flex items-center gap-3 border-t border-rule px-4 py-2">
        <p className="flex-1">
          <span className={`mr-2 ${linkLook(link).colour}`}>{linkLook(link).hint}</span>
          <span className="text-quiet">{other}</span>
        </p>
        <PushButton onClick={() => void navigator.clipboard.writeText(other)}>
          <Copy size={16} aria-hidden /> Copy
        </PushButton>
      </div>
    </li>
  );
}

/** A pace from what was typed; nothing, or words without a number, mean no limit. */
function paced(text: string, put: (pace: number | null) => Promise<Problem[]>): Promise<Problem[]> {
  const trimmed = text.trim();
  if (/^(no.*)?$/i.test(trimmed)) return put(null);
  const pace = Number(trimmed);
  return Number.isInteger(pace)
    ? put(pace)
    : Promise.resolve([
        { part: null, field: "", message: `“${text}” is not a whole number`, mend: "no limit" },
      ]);
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
