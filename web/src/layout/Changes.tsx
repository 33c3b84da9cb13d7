import type { ArrangePreview, ChangeLine } from "../api/types";
import type { Look } from "../requests/useLook";

const MOST = 200;

/** Whether what was looked at can be done. */
export const isReady = ({ found, current }: Look<ArrangePreview>) =>
  current && found !== null && found.problems.length === 0;

/** What would change, line by line, or why it cannot be. */
export function Changes({ look: { found: preview, trouble } }: { look: Look<ArrangePreview> }) {
  if (trouble)
    return (
      <p role="alert" className="text-fault">
        {trouble}
      </p>
    );
  if (!preview) return <p className="text-quiet">Looking …</p>;
  if (preview.problems.length > 0)
    return (
      <ul role="alert" className="text-fault">
        {preview.problems.map((problem, i) => (
          <li key={i}>{problem.message}</li>
        ))}
      </ul>
    );
  return <ChangeTable changes={preview.changes} />;
}

export function ChangeTable({ changes }: { changes: ChangeLine[] }) {
  if (changes.length === 0) return <p className="text-quiet">Nothing would change.</p>;
  return (
    <div className="min-h-0 overflow-auto rounded border border-rule" data-changes={changes.length}>
      <table className="w-full text-left text-sm">
        <thead className="sticky top-0 bg-raised text-quiet">
          <tr>
            <th className="px-2 py-1 font-normal">What</th>
            <th className="px-2 py-1 font-normal">Is</th>
            <th className="px-2 py-1 font-normal">Will be</th>
          </tr>
        </thead>
        <tbody>
          {changes.slice(0, MOST).map((change, i) => (
            <tr key={i} className="border-t border-rule align-top">
              <td className="px-2 py-1">
                {change.part} <span className="text-quiet">{change.field}</span>
              </td>
              <td className="px-2 py-1 font-mono break-all text-quiet">{change.before}</td>
              <td className="px-2 py-1 font-mono break-all">{change.after || "goes"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {changes.length > MOST && <p className="px-2 py-1 text-quiet">and {changes.length - MOST} more</p>}
    </div>
  );
}
