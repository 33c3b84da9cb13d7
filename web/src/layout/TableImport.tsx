import { useState } from "react";
import type { Problem, TablePreview } from "../api/types";
import { useLook } from "../requests/useLook";
import { textOf } from "../ui/file";
import { WideDialog } from "../ui/WideDialog";
import { Changes, isReady } from "./Changes";

interface Props {
  title: string;
  /** By what a row is known, and what of it counts. */
  hint: string;
  preview: (table: string) => Promise<TablePreview>;
  take: (table: string) => Promise<Problem[]>;
  onClose: () => void;
}

/** Rows from a spreadsheet: pasted or from a file, looked at, then taken in as one edit. */
export function TableImport({ title, hint, preview, take, onClose }: Props) {
  const [table, setTable] = useState("");
  const look = useLook(table.trim() ? table : null, preview);
  const refused = look.found?.refused ?? [];
  const nothing = look.found?.changes.length === 0;

  return (
    <WideDialog
      title={title}
      onClose={onClose}
      action="Import"
      ready={isReady(look) && !nothing}
      act={() => take(table)}
    >
      <p className="text-sm text-quiet">
        Paste rows from a spreadsheet with their titles, or choose the file. {hint}
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
