import { TriangleAlert } from "lucide-react";
import type { ArgumentSource, Problem, TableLine } from "../../api/types";
import { PushButton } from "../../ui/buttons";
import { report } from "../../ui/notices";

type Mend = NonNullable<TableLine["findings"][number]["mend"]>;
/** Changes the address or the arguments of a line. */
type PutLine = (
  field: string,
  change: () => { address?: string; arguments?: ArgumentSource[] },
) => Promise<Problem[]>;

/** Sets a line right: its address, or its arguments. */
export const mended = ({ address, arguments: all }: Mend, put: PutLine) =>
  address !== null ? put("address", () => ({ address })) : put("arguments", () => ({ arguments: all ?? [] }));

interface Props {
  line: TableLine | undefined;
  put: PutLine;
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
            <PushButton className="px-2! py-0! font-mono" onClick={() => void report(mended(mend, put))}>
              {mend.says}
            </PushButton>
          )}
        </li>
      ))}
    </ul>
  );
}
