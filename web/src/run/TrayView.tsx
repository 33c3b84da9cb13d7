import { ChevronLeft, ChevronRight, X } from "lucide-react";
import type { Cells, Tray } from "../api/types";
import { CanvasOver } from "../controls/CanvasOver";
import { Seen } from "../controls/Seen";
import { laidOn } from "../live/laid";
import { type HeldOf, useShow } from "../live/show";
import { gridOf, Laid } from "./CellGrid";
import { moveWindow, showTray, useTrays } from "../live/trays";

/** A tray while it is played. A bank shows a window of what lies in it, which two keys move. */
export function TrayView({ held }: { held: HeldOf<Tray> }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const first = useTrays((s) => s.windows.get(id) ?? 0);
  const { cells, columns, step } = body;
  const bank = columns > cells.width;
  const last = columns - cells.width;
  const from = Math.min(first, last);
  const inWindow = (c: Cells) => c.column >= from && c.column + c.width <= from + cells.width;
  const laid = laidOn(parts, id).filter((c) => !bank || inWindow(c.part.body.cells));
  return (
    <section aria-label={body.name} className={`tray ${body.popUp ? "tray-above" : ""}`} data-tray={id}>
      <div
        className={`relative isolate grid h-full gap-1 py-1 ${bank ? "px-12" : "px-1"}`}
        style={gridOf(cells.width, cells.height)}
      >
        <CanvasOver>
          {laid.map((held) => (
            <Laid
              key={held.part.id}
              cells={{ ...held.part.body.cells, column: held.part.body.cells.column - (bank ? from : 0) }}
            >
              <Seen held={held} live />
            </Laid>
          ))}
        </CanvasOver>
      </div>
      {bank && (
        <>
          <BankKey
            side="left"
            name={`${body.name}: earlier`}
            gone={from === 0}
            onPress={() => moveWindow(id, Math.max(0, from - step))}
          />
          <BankKey
            side="right"
            name={`${body.name}: later`}
            gone={from === last}
            onPress={() => moveWindow(id, Math.min(last, from + step))}
          />
        </>
      )}
      {body.popUp && (
        <button
          aria-label={`Close ${body.name}`}
          className="absolute -top-3 -right-3 flex h-11 w-11 items-center justify-center rounded-full bg-bone text-ink"
          onClick={() => showTray(id, false)}
        >
          <X aria-hidden />
        </button>
      )}
    </section>
  );
}

interface BankKeyProps {
  side: "left" | "right";
  name: string;
  gone: boolean;
  onPress: () => void;
}

function BankKey({ side, name, gone, onPress }: BankKeyProps) {
  const Chevron = side === "left" ? ChevronLeft : ChevronRight;
  return (
    <button
      aria-label={name}
      disabled={gone}
      className={`absolute inset-y-1 flex w-11 items-center justify-center rounded bg-raised text-bone disabled:opacity-30 ${
        side === "left" ? "left-1" : "right-1"
      }`}
      onClick={onPress}
    >
      <Chevron size={28} aria-hidden />
    </button>
  );
}
