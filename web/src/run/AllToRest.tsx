import { AlertDialog } from "radix-ui";
import { RotateCcw } from "lucide-react";
import { useState } from "react";
import { previewRest } from "../requests/lines";
import type { RestLine } from "../api/types";
import { controlAt, laidOn } from "../live/laid";
import { command } from "../live/connection";
import { partsOf, useShow } from "../live/show";
import { Ask } from "../ui/Confirm";

/** Everything on a page to its rest value, after a look at what that sends. */
export function AllToRest({ page }: { page: string }) {
  const parts = useShow((s) => s.parts);
  /** What would leave, or the sentence on why that cannot be said. */
  const [looked, setLooked] = useState<RestLine[] | string | null>(null);
  const trays = partsOf(parts, "tray", page).map((t) => t.part.id);
  const controls = [page, ...trays].flatMap((grid) =>
    laidOn(parts, grid).flatMap((held) => controlAt(parts, held)?.part.id ?? []),
  );
  const look = () =>
    previewRest(controls)
      .then(setLooked)
      .catch((e: Error) => setLooked(e.message));
  return (
    <>
      <button
        className="flex min-h-11 min-w-11 items-center justify-center gap-2 rounded px-3 py-2 whitespace-nowrap text-quiet"
        onClick={() => void look()}
      >
        <RotateCcw size={18} aria-hidden /> <span className="max-sm:sr-only">Reset page …</span>
      </button>
      <AlertDialog.Root open={looked !== null} onOpenChange={(open) => !open && setLooked(null)}>
        {looked === null ? null : typeof looked === "string" ? (
          <Ask title="Nothing can be reset now" text={<p>{looked}.</p>} cancel="Close" actions={[]} />
        ) : looked.length === 0 ? (
          <Ask
            title="Everything here is at its rest value"
            text={<p>Nothing would be sent.</p>}
            cancel="Close"
            actions={[]}
          />
        ) : (
          <Ask
            title="Reset this page?"
            text={<Leaving lines={looked} />}
            cancel="Cancel"
            actions={[{ words: "Reset", act: () => void command({ kind: "rest", controls }) }]}
          />
        )}
      </AlertDialog.Root>
    </>
  );
}

function Leaving({ lines }: { lines: RestLine[] }) {
  return (
    <>
      <p className="mb-2">
        {lines.length} {lines.length === 1 ? "message" : "messages"} would leave:
      </p>
      <ol className="font-mono text-sm">
        {lines.map((line, i) => (
          <li key={i}>
            {line.target || "nobody"} {line.address} {line.arguments}
          </li>
        ))}
      </ol>
    </>
  );
}
