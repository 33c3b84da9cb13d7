/** The keys of Build that hold wherever the focus is on the page. */
import type { Problem } from "../api/types";
import { partOf, useShow } from "../live/show";
import { isMeantElsewhere } from "../ui/keys";
import { report } from "../ui/notices";
import {
  arrangeSelected,
  copySelected,
  cutSelected,
  duplicateSelected,
  gatherSelected,
  selectSameKind,
  pasteCopied,
  removeSelected,
} from "./actions";
import { openDialog } from "./dialogs";
import { laidOn } from "../live/laid";
import { select, useSelection } from "./selection";

const EDGES = { ArrowLeft: "LEFT", ArrowRight: "RIGHT", ArrowUp: "TOP", ArrowDown: "BOTTOM" } as const;

/** @param goTo opens a page */
export function onBuildKey(e: KeyboardEvent, pageId: string | undefined, goTo: (page: string) => void): void {
  if (isMeantElsewhere(e) || e.altKey) return;
  const done = e.ctrlKey || e.metaKey ? withControl(e, pageId, goTo) : plain(e);
  if (!done) return;
  e.preventDefault();
  if (done !== true) void report(done);
}

function plain(e: KeyboardEvent): true | Promise<Problem[]> | undefined {
  const any = useSelection.getState().ids.length > 0;
  if (e.key === "Escape") {
    select();
    return true;
  }
  if ((e.key === "Delete" || e.key === "Backspace") && any) return removeSelected();
}

function withControl(
  e: KeyboardEvent,
  pageId: string | undefined,
  goTo: (page: string) => void,
): true | Promise<Problem[]> | undefined {
  const { parts } = useShow.getState();
  const page = partOf(parts, "page", pageId);
  const any = useSelection.getState().ids.length > 0;
  if (e.shiftKey && e.key in EDGES)
    return any ? arrangeSelected({ what: "align", edge: EDGES[e.key as keyof typeof EDGES] }) : undefined;
  if (e.shiftKey && pageId && e.key.toLowerCase() === "a") {
    selectSameKind(pageId);
    return true;
  }
  if (e.shiftKey && page && e.key.toLowerCase() === "v") {
    openDialog("paste");
    return true;
  }
  if (e.key.toLowerCase() === "f" && !e.shiftKey) {
    openDialog("replace");
    return true;
  }
  if (e.shiftKey) return;
  if (!page)
    return e.key.toLowerCase() === "v"
      ? pasteCopied(null).then((pasted) => {
          if (pasted.page) goTo(pasted.page);
          return pasted.problems;
        })
      : undefined;
  switch (e.key.toLowerCase()) {
    case "a":
      select(...(pageId ? laidOn(parts, pageId) : []).map((held) => held.part.id));
      return true;
    case "c":
      return any ? copySelected() : undefined;
    case "x":
      return any ? cutSelected() : undefined;
    case "v":
      return pasteCopied(page.part.id).then((pasted) => pasted.problems);
    case "g":
      return any ? gatherSelected() : true;
    case "d":
      return any ? duplicateSelected(page) : true;
  }
}
