import {
  ClipboardList,
  ClipboardPaste,
  ListPlus,
  Copy,
  CopyPlus,
  type LucideIcon,
  Redo2,
  Replace,
  Trash2,
  Undo2,
} from "lucide-react";
import { bringBack, takeBack } from "../frame/takeBack";
import type { Page } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { useTrays, showTray } from "../live/trays";
import { copySelected, duplicateSelected, pasteCopied, removeSelected } from "./actions";
import { openDialog } from "./dialogs";
import { useIsShaped, usePreview } from "./screens";
import { useSelection } from "./selection";

/** Says in which mode we are, holds what can be done with the selection, and takes the last step back. */
export function BuildBar({ page }: { page: HeldOf<Page> }) {
  const count = useSelection((s) => s.ids.length);
  const parts = useShow((s) => s.parts);
  const preview = useIsShaped(page.part.body);
  const shown = useTrays((s) => s.shown);
  const popUps = partsOf(parts, "tray", page.part.id).filter((t) => t.part.body.popUp);
  return (
    <div className="flex items-center gap-2 py-1 max-sm:flex-wrap" role="toolbar" aria-label="Selection">
      <strong className="flex-none rounded bg-caution px-2 py-0.5 text-ink">
        Build: touching sends nothing
      </strong>
      {count > 0 && (
        <span className="flex-none rounded bg-ground px-2 py-0.5 font-bold text-select" role="status">
          {count} selected
        </span>
      )}
      <button
        aria-pressed={preview}
        className={`flex-none rounded border bg-ground px-2 py-0.5 ${preview ? "border-bone" : "border-rule text-quiet"}`}
        title={`In the shape of its screen, ${page.part.body.screen.width} × ${page.part.body.screen.height}`}
        onClick={() => usePreview.setState({ on: !preview })}
      >
        {page.part.body.screen.kind.toLowerCase()} shape
      </button>
      {popUps.map(({ part }) => (
        <button
          key={part.id}
          aria-pressed={shown.has(part.id)}
          className={`rounded border bg-ground px-2 py-0.5 ${shown.has(part.id) ? "border-bone" : "border-rule text-quiet"}`}
          onClick={() => showTray(part.id, !shown.has(part.id))}
        >
          {part.body.name}
        </button>
      ))}
      <span className="ml-auto flex flex-none gap-1">
        <Tool name="Copy" Icon={Copy} idle={count === 0} onClick={() => void report(copySelected())} />
        <Tool
          name="Duplicate"
          Icon={CopyPlus}
          idle={count === 0}
          onClick={() => void report(duplicateSelected(page))}
        />
        <Tool
          name="Paste"
          Icon={ClipboardPaste}
          onClick={() => void report(pasteCopied(page.part.id).then((p) => p.problems))}
        />
        <Tool name="Paste special …" Icon={ClipboardList} onClick={() => openDialog("paste")} />
        <Tool name="Type or paste addresses …" Icon={ListPlus} onClick={() => openDialog("lines")} />
        <Tool name="Find and replace …" Icon={Replace} onClick={() => openDialog("replace")} />
        <Tool
          name="Remove selected"
          Icon={Trash2}
          idle={count === 0}
          onClick={() => void report(removeSelected())}
        />
      </span>
      <span className="flex flex-none gap-1">
        <PushButton aria-label="Undo" title="Undo" className="px-2! py-0.5!" onClick={() => void takeBack()}>
          <Undo2 size={16} aria-hidden /> <span className="max-xl:hidden">Undo</span>
        </PushButton>
        <PushButton aria-label="Redo" title="Redo" className="px-2! py-0.5!" onClick={() => void bringBack()}>
          <Redo2 size={16} aria-hidden /> <span className="max-xl:hidden">Redo</span>
        </PushButton>
      </span>
    </div>
  );
}

interface ToolProps {
  name: string;
  Icon: LucideIcon;
  /** Whether there is nothing that it could be done with. */
  idle?: boolean;
  onClick: () => void;
}

function Tool({ name, Icon, idle = false, onClick }: ToolProps) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      disabled={idle}
      className="rounded border border-rule bg-raised p-1.5 disabled:text-worn"
      onClick={onClick}
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}
