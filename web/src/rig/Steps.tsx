import { Check, Eye } from "lucide-react";
import { useState } from "react";
import { changeRig, sayTo } from "../requests/rig";
import type { StepState } from "../api/types";
import { report } from "../ui/notices";
import { dayAndTime } from "../ui/time";
import { MessageField } from "./MessageField";
import { useTargetView } from "./rig";

/** From nothing to a proven link: Imperan ticks what it sees, people tick the rest. The first open step stands out. */
export function Steps({ id, name }: { id: string; name: string }) {
  const steps = useTargetView(id)?.steps ?? [];
  const next = steps.find((s) => !s.done);
  const wanting = steps.find((s) => (s.step === "SENT" || s.step === "RECEIVED") && !s.done);
  return (
    <section aria-label={`Steps to a proven link to ${name}`} className="min-w-0">
      <h3 className="mb-2 font-bold">
        To a proven link: {steps.filter((s) => s.done).length} of {steps.length}
      </h3>
      <ol className="flex flex-col gap-1">
        {steps.map((state) => (
          <StepLine
            key={state.step}
            id={id}
            state={state}
            next={state === next}
            wantsMessage={state === wanting}
            trial={steps.find((s) => s.step === "SENT")?.hints[0]}
          />
        ))}
      </ol>
    </section>
  );
}

interface LineProps {
  id: string;
  state: StepState;
  next: boolean;
  /** Whether any message at all would bring this step about. */
  wantsMessage: boolean;
  /** A message of the target's own that is answered and changes nothing. */
  trial: string | undefined;
}

function StepLine({ id, state, next, wantsMessage, trial }: LineProps) {
  const { step, words, hints, byHand, done, tick } = state;
  const [version, setVersion] = useState("");
  const wantsText = step === "VERSION_NOTED" && !tick;
  const toggle = () =>
    void report(
      changeRig(
        tick ? { what: "untick", target: id, step } : { what: "tick", target: id, step, fact: version },
      ),
    );
  return (
    <li
      data-step={step}
      data-done={done}
      className={`flex items-start gap-2 rounded px-2 py-1 ${next ? "bg-raised" : ""}`}
    >
      {byHand ? (
        <input
          type="checkbox"
          className="mt-1.5 flex-none"
          aria-label={words}
          checked={done}
          disabled={wantsText && version.trim() === ""}
          onChange={toggle}
        />
      ) : done ? (
        <Eye size={18} className="mt-1 flex-none text-in" aria-label="Imperan sees it" />
      ) : (
        <span
          className="mt-2 h-3 w-3 flex-none rounded-full border-2 border-quiet"
          aria-label="not seen yet"
        />
      )}
      <div className="min-w-0 flex-1">
        <span className={done ? "" : next ? "font-bold" : "text-quiet"}>{words}</span>
        {step !== "SENT" && hints.length > 0 && (
          <ul className="list-disc pl-5 text-sm text-quiet">
            {hints.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        )}
        {tick && (
          <span className="block text-sm text-quiet">
            <Check size={12} className="mr-1 inline" aria-hidden />
            {tick.by}, {dayAndTime(tick.at)}
            {tick.fact && `: ${tick.fact}`}
          </span>
        )}
        {wantsMessage && (
          <MessageField
            label="Test message"
            start={trial ?? "/hello"}
            action="Send"
            onCommit={(line) => sayTo(id, line)}
          />
        )}
        {wantsText && (
          <input
            aria-label="Versions of the program and the device"
            placeholder="such as 2.1, firmware 4"
            className="mt-1 w-full rounded border border-rule bg-ground px-2 py-0.5"
            value={version}
            maxLength={200}
            onChange={(e) => setVersion(e.target.value)}
            onKeyDown={(e) => e.key === "Enter" && version.trim() && toggle()}
          />
        )}
      </div>
    </li>
  );
}
