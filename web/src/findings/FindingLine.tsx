import { CircleCheck, Info, OctagonAlert, TriangleAlert, Undo2, Wrench } from "lucide-react";
import { type ReactNode, useState } from "react";
import { accept, mend, reopen } from "../requests/findings";
import type { Found } from "../api/types";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { report } from "../ui/notices";

export const SEVERITIES = {
  STOPS_SHOW: { word: "Stops the show", Icon: OctagonAlert, text: "text-fault", border: "border-fault" },
  LOOK: { word: "Look at it", Icon: TriangleAlert, text: "text-caution", border: "border-caution" },
  NOTE: { word: "Note", Icon: Info, text: "text-quiet", border: "border-rule" },
} as const;

/** What the checks noticed of something, each with its remedy of one press, and a way to say that it is meant. */
export function FindingList({ findings, label }: { findings: Found[]; label: string }) {
  if (findings.length === 0) return null;
  return (
    <ul aria-label={label} className="flex flex-col gap-2">
      {findings.map((found) => (
        <FindingLine key={`${found.kind} ${found.about} ${found.facts}`} found={found} />
      ))}
    </ul>
  );
}

/** @param where leads to the part that it is about */
export function FindingLine({ found, where }: { found: Found; where?: ReactNode }) {
  const { kind, text, remedy, accepted, severity } = found;
  const { word, Icon: Sign, text: colour, border } = SEVERITIES[severity];
  const Icon = accepted ? CircleCheck : Sign;
  return (
    <li
      data-finding={kind}
      data-accepted={accepted !== null}
      className={`flex flex-wrap items-start gap-x-3 gap-y-1 rounded border px-3 py-1.5 ${accepted ? "border-rule" : border}`}
    >
      <Icon
        size={20}
        className={`mt-0.5 flex-none ${accepted ? "text-quiet" : colour}`}
        aria-label={accepted ? "Accepted" : word}
      />
      <p className="min-w-52 flex-1">
        {ended(text)} {where}
        {accepted && (
          <span className="block text-quiet">
            Accepted by {accepted.by}
            {accepted.note && `: ${accepted.note}`}
          </span>
        )}
      </p>
      <span className="ml-auto flex flex-wrap justify-end gap-2">
        {accepted ? (
          <PushButton onClick={() => void report(reopen(accepted.acceptance))}>
            <Undo2 size={16} aria-hidden /> Reopen
          </PushButton>
        ) : (
          <>
            {remedy && (
              <PushButton strong onClick={() => void report(mend([found]))}>
                <Wrench size={16} aria-hidden /> {remedy}
              </PushButton>
            )}
            <Accept found={[found]}>
              <PushButton>Accept …</PushButton>
            </Accept>
          </>
        )}
      </span>
    </li>
  );
}

const ended = (text: string) => (/[.?!]$/.test(text) ? text : `${text}.`);

/** Says that findings are meant, and why; each stays quiet until its facts change. */
export function Accept({ found, children }: { found: Found[]; children: ReactNode }) {
  const [note, setNote] = useState("");
  return (
    <Confirm
      title={found.length === 1 ? "Accept this finding?" : `Accept these ${found.length} findings?`}
      text={
        <>
          <p className="mb-3">
            {found.length === 1
              ? `${ended(found[0]!.text)} It will stay quiet until what it rests on changes.`
              : "Each will stay quiet until what it rests on changes."}
          </p>
          <label className="block">
            <span className="text-sm text-quiet">Why (others will read it)</span>
            <input
              className="w-full rounded border border-rule bg-ground px-2 py-1"
              value={note}
              maxLength={200}
              onChange={(e) => setNote(e.target.value)}
            />
          </label>
        </>
      }
      action="Accept"
      onConfirm={() => void report(accept(found, note))}
    >
      {children}
    </Confirm>
  );
}
