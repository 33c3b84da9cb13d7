import { Ungroup } from "lucide-react";
import type { Tray } from "../api/types";
import type { HeldOf } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { Check, NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { scatter, setTray } from "./actions";

/** What is to be said of a tray: its name, how much of it is shown, and whether it pops up. */
export function TrayPath({ held }: { held: HeldOf<Tray> }) {
  const { id, body } = held.part;
  const put = (field: string, update: Partial<Tray>) => of(field, setTray(held, field, update));
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      <p>
        <b className="text-select">A tray</b>{" "}
        <span className="text-quiet">
          moves, copies, pops up and hides as one. Wider inside than outside it is a bank: it shows a window
          of what lies in it.
        </span>
      </p>
      <div className="grid grid-cols-3 gap-3">
        <EditField label="Tray name" value={body.name} onCommit={(name) => put("name", { name })} />
        <NumberField
          label="Columns inside"
          whole
          value={body.columns}
          onCommit={(columns) => put("columns", { columns })}
        />
        <NumberField label="Bank step" whole value={body.step} onCommit={(step) => put("step", { step })} />
      </div>
      <Check
        label="Pop-up: hidden until a page key shows it"
        checked={body.popUp}
        onChange={(popUp) => void report(put("popUp", { popUp }))}
      />
      <PushButton className="self-start" onClick={() => void report(scatter(id))}>
        <Ungroup size={18} aria-hidden /> Ungroup
      </PushButton>
    </div>
  );
}
