import { TriangleAlert } from "lucide-react";
import type { ArgumentSource, Problem, TableLine } from "../../api/types";
import { PushButton } from "../../ui/buttons";
import { report } from "../../ui/notices";

interface Props {
  line: TableLine | undefined;
  /** Changes the address or the arguments of the line. */
  put: (
    field: string,
    change: () => { address?: string; arguments?: ArgumentSource[] },
  ) => Promise<Problem[]>;
}

/** What the phrasebook of the target says against a line, each with the press that sets it right. */
export function LineFindings({ line, put }: Props) {
  if (!line?.findings.length) return null;
  return (
    <ul className="flex flex-col gap-1" aria-label="Findings">
      {line.findings.map(({ message, mend }) => (
        <li key={message} className="rounded border border-caution px-2 py-0.5 text-sm text-caution">
          <TriangleAlert size={14} className="mr-1 inline" aria-hidden />
          {message}{" "}
          {mend && (
            <PushButton
              className="px-2! py-0! font-mono"
              onClick={() =>
                void report(
                  mend.address !== null
                    ? put("address", () => ({ address: mend.address! }))
                    : put("arguments", () => ({ arguments: mend.arguments! })),
                )
              }
            >
              {mend.says}
            </PushButton>
          )}
        </li>
      ))}
    </ul>
  );
}
