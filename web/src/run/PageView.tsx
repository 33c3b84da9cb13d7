import type { Page } from "../api/types";
import { CanvasOver } from "../controls/CanvasOver";
import { Seen } from "../controls/Seen";
import { laidOn } from "../live/laid";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { gridOf, Laid } from "./CellGrid";
import { TrayView } from "./TrayView";
import { useTrays } from "../live/trays";

/** A page, or a strip of one, while it is played. */
export function PageView({ page, share }: { page: HeldOf<Page>; share: number }) {
  const parts = useShow((s) => s.parts);
  const shown = useTrays((s) => s.shown);
  const { id, body } = page.part;
  return (
    <div
      className="relative isolate grid min-h-0 gap-1.5 p-2 pt-0 max-sm:gap-1 max-sm:p-1 max-sm:pt-0"
      data-page={id}
      style={{ ...gridOf(body.columns, body.rows), flex: share }}
    >
      <CanvasOver>
        {laidOn(parts, id)
          .filter((held) => held.part.body.kind !== "tray")
          .map((held) => (
            <Laid key={held.part.id} cells={held.part.body.cells}>
              <Seen held={held} live />
            </Laid>
          ))}
        {partsOf(parts, "tray", id)
          .filter((tray) => !tray.part.body.popUp || shown.has(tray.part.id))
          .map((tray) => (
            <Laid key={tray.part.id} cells={tray.part.body.cells}>
              <TrayView held={tray} />
            </Laid>
          ))}
      </CanvasOver>
    </div>
  );
}
