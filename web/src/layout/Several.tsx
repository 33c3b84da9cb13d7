import {
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  Footprints,
  Group,
  type LucideIcon,
  MoveHorizontal,
  MoveVertical,
} from "lucide-react";
import { useMemo, useState } from "react";
import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { arrangeSelected, gatherSelected, type Manner } from "./actions";
import { FillDialog } from "./FillDialog";
import { calledOf, laidOf } from "../live/laid";
import { ReplaceDialog } from "./ReplaceDialog";
import { SeveralSettings } from "./SeveralSettings";
import { useSelection } from "./selection";
import { SwapDialog } from "./SwapDialog";
import { WalkThrough } from "./WalkThrough";

const MANNERS: { name: string; Icon: LucideIcon; how: Manner }[] = [
  { name: "Align left edges", Icon: AlignStartVertical, how: { what: "align", edge: "LEFT" } },
  { name: "Align right edges", Icon: AlignEndVertical, how: { what: "align", edge: "RIGHT" } },
  { name: "Align top edges", Icon: AlignStartHorizontal, how: { what: "align", edge: "TOP" } },
  { name: "Align bottom edges", Icon: AlignEndHorizontal, how: { what: "align", edge: "BOTTOM" } },
  { name: "Equal gaps across", Icon: AlignHorizontalSpaceBetween, how: { what: "spread", axis: "ACROSS" } },
  { name: "Equal gaps down", Icon: AlignVerticalSpaceBetween, how: { what: "spread", axis: "DOWN" } },
  { name: "Width as the first", Icon: MoveHorizontal, how: { what: "match", extent: "WIDTH" } },
  { name: "Height as the first", Icon: MoveVertical, how: { what: "match", extent: "HEIGHT" } },
];

/** What is selected where it is more than one, and what can be done with all of it at once. */
export function Several() {
  const ids = useSelection((s) => s.ids);
  const parts = useShow((s) => s.parts);
  const controls = useMemo(() => [...ids], [ids]);
  const [open, setOpen] = useState<"fill" | "replace" | "swap" | "walk" | null>(null);
  const close = () => setOpen(null);
  const laid = ids.flatMap((id) => laidOf(parts, id) ?? []);
  return (
    <>
      <p className="mb-2 line-clamp-2">
        <strong className="text-select">{ids.length} controls:</strong>{" "}
        {laid.map((held) => calledOf(parts, held)).join(", ")}
      </p>
      <div className="flex gap-6">
        <div className="grid flex-1 grid-cols-2 content-start gap-2">
          {MANNERS.map(({ name, Icon, how }) => (
            <PushButton
              key={name}
              className="justify-start!"
              onClick={() => void report(arrangeSelected(how))}
            >
              <Icon size={18} aria-hidden /> {name}
            </PushButton>
          ))}
        </div>
        <div className="flex w-60 flex-col gap-2">
          <PushButton className="justify-start!" onClick={() => setOpen("fill")}>
            Fill across with a run …
          </PushButton>
          <PushButton className="justify-start!" onClick={() => setOpen("replace")}>
            Find and replace …
          </PushButton>
          <PushButton className="justify-start!" onClick={() => setOpen("swap")}>
            Swap the target …
          </PushButton>
          <PushButton className="justify-start!" onClick={() => void report(gatherSelected())}>
            <Group size={18} aria-hidden /> Gather in a tray
          </PushButton>
          <PushButton className="justify-start!" onClick={() => setOpen("walk")}>
            <Footprints size={18} aria-hidden /> Walk-through …
          </PushButton>
        </div>
        <section aria-label="Settings of all" className="w-80 border-l border-rule pl-4">
          <h3 className="mb-1 font-bold">Settings of all</h3>
          <SeveralSettings laid={laid} />
        </section>
      </div>
      {open === "fill" && <FillDialog controls={controls} onClose={close} />}
      {open === "replace" && <ReplaceDialog controls={controls} onClose={close} />}
      {open === "walk" && <WalkThrough ids={controls} onClose={close} />}
      {open === "swap" && <SwapDialog controls={controls} onClose={close} />}
    </>
  );
}
