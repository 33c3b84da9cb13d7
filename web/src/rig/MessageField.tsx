import { useState } from "react";
import type { Problem } from "../api/types";
import { PushButton } from "../ui/buttons";

interface Props {
  label: string;
  /** What stands there at first. */
  start: string;
  action: string;
  /** Offers the line; what speaks against it comes back and is shown here. */
  onCommit: (line: string) => Promise<Problem[]>;
  /** Whether the line goes once it is taken. */
  clears?: boolean;
}

/** A message as one line of text, such as `/scene 3 0.5 "low water"`; what is none is refused beside it, with its mend. */
export function MessageField({ label, start, action, onCommit, clears }: Props) {
  const [text, setText] = useState(start);
  const [problem, setProblem] = useState<Problem | null>(null);
  const commit = async (line: string) => {
    const refused = await onCommit(line);
    setProblem(refused[0] ?? null);
    setText(refused.length === 0 && clears ? "" : line);
  };
  return (
    <div>
      <div className="flex gap-2">
        <input
          aria-label={label}
          aria-invalid={problem !== null}
          className="min-w-0 flex-1 rounded border border-rule bg-ground px-2 py-1 font-mono text-sm"
          value={text}
          spellCheck={false}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && void commit(text)}
        />
        <PushButton className="py-0.5" disabled={text.trim() === ""} onClick={() => void commit(text)}>
          {action}
        </PushButton>
      </div>
      {problem && (
        <p role="alert" className="mt-1 text-sm text-fault">
          {problem.message}{" "}
          {problem.mend && (
            <button
              className="rounded border border-fault px-2 font-mono text-bone"
              onClick={() => void commit(problem.mend!)}
            >
              Use {problem.mend}
            </button>
          )}
        </p>
      )}
    </div>
  );
}
