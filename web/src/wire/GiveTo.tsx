import { useState } from "react";
import type { WireRow } from "../api/types";
import { calledOf, pageOf } from "../live/laid";
import { partOf, partsOf, useShow } from "../live/show";
import { linesFrom } from "../requests/wire";
import { report } from "../ui/notices";
import { SearchField } from "../ui/SearchField";

const MOST = 60;

/** Chooses the control that is to send and hear what a message says. */
export function GiveTo({ packet, onDone }: { packet: WireRow; onDone: () => void }) {
  const parts = useShow((s) => s.parts);
  const [text, setText] = useState("");
  const all = partsOf(parts, "control").map((held) => ({
    id: held.part.id,
    name: calledOf(parts, held),
    page: partOf(parts, "page", pageOf(parts, held.part.id))?.part.body.name ?? "",
  }));
  const found = all.filter(({ name, page }) => `${name} ${page}`.toLowerCase().includes(text.toLowerCase()));
  const give = async (control: string) => {
    if ((await report(linesFrom(packet.number, control))).length === 0) onDone();
  };
  return (
    <div className="flex flex-col gap-2 rounded border border-select p-2">
      <p>
        Its sends and listens are replaced by <span className="font-mono">{packet.messages[0]?.address}</span>
        . Undo brings them back.
      </p>
      <SearchField label="Find a control" hint="Find a control or page" value={text} onChange={setText} />
      {all.length === 0 && <p className="text-quiet">No layout has a control yet. Make one in Layout.</p>}
      <ul className="flex max-h-40 flex-wrap gap-1.5 overflow-auto" aria-label="Controls">
        {found.slice(0, MOST).map(({ id, name, page }) => (
          <li key={id}>
            <button
              type="button"
              className="rounded border border-rule bg-ground px-2 py-0.5 hover:border-bone"
              onClick={() => void give(id)}
            >
              {name} <span className="text-sm text-quiet">{page}</span>
            </button>
          </li>
        ))}
        {found.length > MOST && <li className="text-quiet">and {found.length - MOST} more: type to find</li>}
      </ul>
    </div>
  );
}
