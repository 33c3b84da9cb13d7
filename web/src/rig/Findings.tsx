import { CircleCheck, OctagonAlert, TriangleAlert, Undo2, Wrench } from "lucide-react";
import { useState } from "react";
import { edit, remove } from "../requests/edits";
import type { FindingHere } from "../api/types";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { report } from "../ui/notices";

/** What the checks noticed, each with its remedy of one press, and a way to say that it is meant. */
export function Findings({ findings, label }: { findings: FindingHere[]; label: string }) {
  if (findings.length === 0) return null;
  return (
    <ul aria-label={label} className="flex flex-col gap-2">
      {findings.map((found) => (
        <FindingLine key={`${found.finding.kind} ${found.finding.about}`} found={found} />
      ))}
    </ul>
  );
}

function FindingLine({ found }: { found: FindingHere }) {
  const { kind, text, remedy, accepted, about, facts } = found.finding;
  const fault = found.severity === "FAULT";
  const Icon = accepted ? CircleCheck : fault ? OctagonAlert : TriangleAlert;
  const colour = accepted ? "text-quiet" : fault ? "text-fault" : "text-caution";
  return (
    <li
      data-finding={kind}
      data-accepted={accepted !== null}
      className={`flex items-start gap-3 rounded border px-3 py-2 ${
        accepted ? "border-rule" : fault ? "border-fault" : "border-caution"
      }`}
    >
      <Icon size={20} className={`mt-0.5 flex-none ${colour}`} aria-label={fault ? "Fault" : "Caution"} />
      <p className="min-w-0 flex-1">
        {text}.
        {accepted && (
          <span className="block text-quiet">
            Accepted by {accepted.by}
            {accepted.note && `: ${accepted.note}`}
          </span>
        )}
      </p>
      {accepted ? (
        <PushButton onClick={() => void report(remove("Reopen a finding", accepted.acceptance))}>
          <Undo2 size={16} aria-hidden /> Reopen
        </PushButton>
      ) : (
        <>
          {remedy && (
            <PushButton
              strong
              className="flex-none"
              onClick={() => void report(edit(remedy.edit.title, remedy.edit.steps))}
            >
              <Wrench size={16} aria-hidden /> {remedy.words}
            </PushButton>
          )}
          <OnPurpose kind={kind} about={about} facts={facts} text={text} />
        </>
      )}
    </li>
  );
}

interface OnPurposeProps {
  kind: string;
  about: string;
  facts: string;
  text: string;
}

/** Says that a finding is meant, and why; it stays quiet until its facts change. */
function OnPurpose({ kind, about, facts, text }: OnPurposeProps) {
  const [note, setNote] = useState("");
  const accept = () =>
    void report(
      edit("Accept a finding", [
        {
          step: "put",
          basedOn: 0,
          part: {
            id: crypto.randomUUID(),
            parent: null,
            order: 0,
            body: { kind: "acceptance", finding: kind, about, facts, note: note.trim() },
          },
        },
      ]),
    );
  return (
    <Confirm
      title="Accept this finding?"
      text={
        <>
          <p className="mb-3">{text}. It will stay quiet until one of these numbers changes.</p>
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
      onConfirm={accept}
    >
      <PushButton className="flex-none">Accept …</PushButton>
    </Confirm>
  );
}
