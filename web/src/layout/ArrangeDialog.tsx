import type { ReactNode } from "react";
import { arrange } from "../requests/edits";
import { previewArrangement } from "../requests/lines";
import type { Arrangement } from "../api/types";
import { useLook } from "../requests/useLook";
import { WideDialog } from "../ui/WideDialog";
import { Changes, isReady } from "./Changes";

interface Props {
  title: string;
  /** What is asked for; null while it is not yet said. Keep it the same object while it means the same. */
  arrangement: Arrangement | null;
  /** The word for doing it. */
  action: string;
  onClose: () => void;
  children: ReactNode;
}

/** Something done with many controls at once, shown line by line before it is done. */
export function ArrangeDialog({ title, arrangement, action, onClose, children }: Props) {
  const look = useLook(arrangement, previewArrangement);
  return (
    <WideDialog
      title={title}
      onClose={onClose}
      action={action}
      ready={isReady(look)}
      act={() => (arrangement ? arrange(arrangement) : Promise.resolve([]))}
    >
      {children}
      {arrangement && <Changes look={look} />}
    </WideDialog>
  );
}
