import {
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  type LucideIcon,
  MoveHorizontal,
  MoveVertical,
} from "lucide-react";
import { partOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { arrangeSelected, type Manner, nameOf } from "./actions";
import { useSelection } from "./selection";

const MANNERS: { name: string; Icon: LucideIcon; how: Manner }[] = [
  { name: "Align left edges", Icon: AlignStartVertical, how: { what: "align", edge: "LEFT" } },
  { name: "Align right edges", Icon: AlignEndVertical, how: { what: "align", edge: "RIGHT" } },
  { name: "Align top edges", Icon: AlignStartHorizontal, how: { what: "align", edge: "TOP" } },
  { name: "Align bottom edges", Icon: AlignEndHorizontal, how: { what: "align", edge: "BOTTOM" } },
  { name: "Equal gaps across", Icon: AlignHorizontalSpaceBetween, how: { what: "spread", axis: "ACROSS" } },
  { name: "Equal gaps down", Icon: AlignVerticalSpaceBetween, how: { what: "spread", axis: "DOWN" } },
  { name: "Same width as the first", Icon: MoveHorizontal, how: { what: "match", extent: "WIDTH" } },
  { name: "Same height as the first", Icon: MoveVertical, how: { what: "match", extent: "HEIGHT" } },
];

/** What is selected where it is more than one, and what can be done with all of it at once. */
export function Several() {
  const ids = useSelection((s) => s.ids);
  const parts = useShow((s) => s.parts);
  const names = ids.flatMap((id) => {
    const held = partOf(parts, "control", id);
    return held ? [nameOf(held.part.body)] : [];
  });
  return (
    <>
      <p className="mb-3 line-clamp-3">
        <strong className="text-select">{ids.length} controls:</strong> {names.join(", ")}
      </p>
      <div className="grid max-w-6xl grid-cols-4 gap-2">
        {MANNERS.map(({ name, Icon, how }) => (
          <PushButton key={name} className="justify-start!" onClick={() => void report(arrangeSelected(how))}>
            <Icon size={18} aria-hidden /> {name}
          </PushButton>
        ))}
      </div>
      <p className="mt-3 text-quiet">
        Drag one of them to move all, or its round corner to resize all. Select one alone to see its path.
      </p>
    </>
  );
}
