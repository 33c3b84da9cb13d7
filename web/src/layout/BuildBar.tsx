import { ClipboardPaste, Copy, CopyPlus, type LucideIcon, Redo2, Trash2, Undo2 } from "lucide-react";
import { redo, undo } from "../api/edits";
import type { Page } from "../api/types";
import type { HeldOf } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { copySelected, duplicateSelected, pasteCopied, removeSelected } from "./actions";
import { useSelection } from "./selection";

/** Says in which mode we are, holds what can be done with the selection, and takes the last step back. */
export function BuildBar({ page }: { page: HeldOf<Page> }) {
  const count = useSelection((s) => s.ids.length);
  return (
    <div className="flex items-center gap-2 py-1" role="toolbar" aria-label="Selection">
      <strong className="rounded bg-caution px-3 py-0.5 text-ink">
        Build: touching a control sends nothing
      </strong>
      {count > 0 && (
        <span className="rounded bg-ground px-2 py-0.5 font-bold text-select" role="status">
          {count} selected
        </span>
      )}
      <span className="ml-auto flex gap-1">
        {count > 0 && (
          <>
            <Tool name="Copy" Icon={Copy} onClick={() => void report(copySelected())} />
            <Tool name="Duplicate" Icon={CopyPlus} onClick={() => void report(duplicateSelected(page))} />
            <Tool name="Remove selected" Icon={Trash2} onClick={() => void report(removeSelected())} />
          </>
        )}
        <Tool name="Paste" Icon={ClipboardPaste} onClick={() => void report(pasteCopied(page))} />
      </span>
      <span className="flex gap-2">
        <PushButton className="py-0.5!" onClick={() => void report(undo())}>
          <Undo2 size={16} aria-hidden /> Undo
        </PushButton>
        <PushButton className="py-0.5!" onClick={() => void report(redo())}>
          <Redo2 size={16} aria-hidden /> Redo
        </PushButton>
      </span>
    </div>
  );
}

function Tool({ name, Icon, onClick }: { name: string; Icon: LucideIcon; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className="rounded border border-rule bg-raised p-1.5"
      onClick={onClick}
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}
