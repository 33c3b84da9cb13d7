import { useState } from "react";
import { previewLines, takeLines } from "../requests/lines";
import { useLook } from "../requests/useLook";
import { Changes, isReady } from "../layout/Changes";
import { WideDialog } from "../ui/WideDialog";
import { textOf } from "../ui/file";

/** Lines from a spreadsheet: pasted or from a file, looked at, then taken in as one edit. */
export function LinesImport({ onClose }: { onClose: () => void }) {
  const [table, setTable] = useState("");
  const look = useLook(table.trim() ? table : null, previewLines);
  const refused = look.found?.refused ?? [];
  const nothing = look.found?.changes.length === 0;

  return (
    <WideDialog
      title="Import lines"
      onClose={onClose}
      action="Import"
      ready={isReady(look) && !nothing}
      act={() => takeLines(table)}
    >
      <p className="text-sm text-quiet">
        Paste rows from a spreadsheet with their titles, or choose the file. A row is known by its “line”; its
        label, time, target, address and range count.
      </p>
      <textarea
        aria-label="The table"
        className="h-40 rounded border border-rule bg-ground p-2 font-mono text-sm"
        value={table}
        onChange={(e) => setTable(e.target.value)}
      />
      <input
        type="file"
        aria-label="Table file"
        accept=".csv,.tsv,text/csv"
        onChange={(e) => void textOf(e.target.files?.[0]).then(setTable)}
      />
      {refused.length > 0 && (
        <ul role="alert" className="max-h-32 overflow-auto text-caution">
          {refused.map(({ row, reason }, i) => (
            <li key={i}>
              Row {row}: {reason}
            </li>
          ))}
        </ul>
      )}
      {table.trim() && <Changes look={look} />}
    </WideDialog>
  );
}
