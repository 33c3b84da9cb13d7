import { RefreshCw, Send, X } from "lucide-react";
import type { Problem, Target } from "../api/types";
import { command } from "../live/connection";
import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { report } from "../ui/notices";
import { MessageField } from "./MessageField";

interface Props {
  id: string;
  target: Target;
  put: (field: string, update: (t: Target) => Target) => Promise<Problem[]>;
}

/** The messages that put a target into its known state: written one a line, sent on request after a look at them. */
export function StartList({ id, target, put }: Props) {
  const live = useShow((s) => s.live);
  const lines = target.startList;

  return (
    <section aria-label={`Start list of ${target.name}`} className="min-w-0">
      <h3 className="mb-2 font-bold">Start list</h3>
      {lines.length === 0 && (
        <p className="text-sm text-quiet">
          Empty. Write what puts {target.name} into its known state, such as <code>/lamp/1/level 0.5</code>.
        </p>
      )}
      <ol className="flex flex-col">
        {lines.map((line, i) => (
          <li key={i} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate font-mono text-sm">{line}</span>
            <button
              aria-label={`Remove ${line}`}
              className="p-1 text-quiet"
              onClick={() =>
                void report(
                  put("startList", (t) => ({ ...t, startList: t.startList.filter((_, n) => n !== i) })),
                )
              }
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      <MessageField
        label="Another message of the start list"
        start=""
        action="Add"
        clears
        onCommit={(line) =>
          put(`startList/${lines.length}`, (t) => ({ ...t, startList: [...t.startList, line.trim()] }))
        }
      />
      {live && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Confirm
            title={`Send the start list to ${target.name}?`}
            text={`These leave now, in this order: ${lines.join(" · ")}`}
            action="Send"
            onConfirm={() => command({ kind: "start", target: id })}
          >
            <PushButton disabled={lines.length === 0}>
              <Send size={16} aria-hidden /> Send start list …
            </PushButton>
          </Confirm>
          <PushButton
            disabled={target.answering !== "QUERIES"}
            title={
              target.answering === "QUERIES"
                ? "Asks for everything the show listens to"
                : "It does not answer questions"
            }
            onClick={() => command({ kind: "refresh", target: id })}
          >
            <RefreshCw size={16} aria-hidden /> Refresh
          </PushButton>
        </div>
      )}
    </section>
  );
}
