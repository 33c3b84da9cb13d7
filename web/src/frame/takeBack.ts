/** Undo and redo with eyes: what they change is shown, also where that is on another station. */
import { redo, undo } from "../requests/edits";
import type { Problem } from "../api/types";
import { select } from "../layout/selection";
import { useShow } from "../live/show";
import { whereIs } from "../live/whereIs";
import { report } from "../ui/notices";

export const takeBack = () => showing(undo);
export const bringBack = () => showing(redo);

async function showing(act: () => Promise<Problem[]>): Promise<void> {
  const before = useShow.getState().parts;
  const from = location.href;
  const problems = await report(act());
  // who has gone on meanwhile is not taken away from there
  if (problems.length > 0 || location.href !== from) return;
  const after = useShow.getState().parts;
  const changed = [...new Set([...before.keys(), ...after.keys()])].filter(
    (id) => before.get(id)?.part !== after.get(id)?.part,
  );
  const there = whereIs(changed, before, after);
  if (!there) return;
  if (!isSeen(there.path)) location.hash = `#${there.path}`;
  // what is selected on a page is selected once that page is shown
  if (there.select.length > 0) setTimeout(() => select(...there.select));
}

/** Whether the station that is open shows it anyway: the table of lines shows controls, the history shows every edit. */
function isSeen(path: string): boolean {
  const here = location.hash.slice(1);
  if (here.startsWith("/history")) return true;
  if (path.startsWith("/layout"))
    return here.startsWith("/lines") || here === path || (path === "/layout" && here.startsWith(path));
  return path === "/rig" ? here === path : here.startsWith(path);
}
