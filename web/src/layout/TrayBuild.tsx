import { ChevronLeft, ChevronRight } from "lucide-react";
import type { ReactNode } from "react";
import type { Tray } from "../api/types";
import { CanvasOver } from "../controls/CanvasOver";
import { type Laid, laidOn } from "../live/laid";
import { useShow } from "../live/show";
import { gridOf } from "../run/CellGrid";
import { moveWindow, useTrays } from "../live/trays";

/** A tray while it is built: what lies in it can be taken, its bare ground and its name take the tray. */
export function TrayBuild({
  id,
  tray,
  inside,
}: {
  id: string;
  tray: Tray;
  inside: (held: Laid) => ReactNode;
}) {
  const parts = useShow((s) => s.parts);
  const first = useTrays((s) => s.windows.get(id) ?? 0);
  const bank = tray.columns > tray.cells.width;
  const last = tray.columns - tray.cells.width;
  const from = Math.min(first, last);
  return (
    <div className={`tray ${tray.popUp ? "tray-above" : ""}`}>
      <div
        className="relative isolate grid h-full"
        style={{
          ...gridOf(tray.columns, tray.cells.height),
          width: `${(100 * tray.columns) / tray.cells.width}%`,
          marginLeft: `${(-100 * from) / tray.cells.width}%`,
          clipPath: bank
            ? `inset(0 ${(100 * (last - from)) / tray.columns}% 0 ${(100 * from) / tray.columns}%)`
            : undefined,
        }}
      >
        <CanvasOver>{laidOn(parts, id).map(inside)}</CanvasOver>
      </div>
      <span className="pointer-events-none absolute -top-2.5 right-2 rounded bg-rule px-1.5 text-xs font-bold text-bone">
        {tray.name}
        {bank && ` (${tray.columns / tray.step} in all)`}
        {tray.popUp && " (pops up)"}
      </span>
      {bank && (
        <span
          className="absolute right-1 -bottom-3 z-20 flex gap-1"
          onPointerDown={(e) => e.stopPropagation()}
        >
          <WindowKey
            name={`${tray.name}: earlier`}
            gone={from === 0}
            onPress={() => moveWindow(id, Math.max(0, from - tray.step))}
            Icon={ChevronLeft}
          />
          <WindowKey
            name={`${tray.name}: later`}
            gone={from === last}
            onPress={() => moveWindow(id, Math.min(last, from + tray.step))}
            Icon={ChevronRight}
          />
        </span>
      )}
    </div>
  );
}

interface WindowKeyProps {
  name: string;
  gone: boolean;
  onPress: () => void;
  Icon: typeof ChevronLeft;
}

function WindowKey({ name, gone, onPress, Icon }: WindowKeyProps) {
  return (
    <button
      aria-label={name}
      disabled={gone}
      className="rounded bg-bone p-0.5 text-ink disabled:opacity-40"
      onClick={onPress}
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}
