import { Trash2 } from "lucide-react";
import { useSyncExternalStore } from "react";
import type { Control, Form } from "../../api/types";
import type { HeldOf } from "../../live/show";
import { values } from "../../live/values";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { removeSelected } from "../actions";
import { putControl } from "./put";

type Fader = Extract<Form, { kind: "fader" }>;

/** What a hand finds: the label, and how the control takes a finger. */
export function TouchCell({ held }: { held: HeldOf<Control> }) {
  const { id, body } = held.part;
  const put = putControl(held);
  const value = useSyncExternalStore(
    (listener) => values.subscribe(id, listener),
    () => values.get(id),
  );
  const form = body.form;
  const setForm = (next: Form) => void report(put("form", () => ({ form: next })));

  return (
    <div className="flex flex-col gap-2">
      <EditField label="Label" value={body.label} onCommit={(label) => put("label", () => ({ label }))} />
      {form.kind === "fader" ? (
        <>
          <Select<Fader["grab"]>
            label="A finger beside the cap"
            value={form.grab}
            onChange={(grab) => setForm({ ...form, grab })}
            options={[
              { value: "RELATIVE", text: "moves it along" },
              { value: "PICK_UP", text: "picks it up in passing" },
              { value: "JUMP", text: "makes it jump, once known" },
            ]}
          />
          <Select<Fader["direction"]>
            label="Grows"
            value={form.direction}
            onChange={(direction) => setForm({ ...form, direction })}
            options={[
              { value: "UP", text: "upwards" },
              { value: "RIGHT", text: "to the right" },
            ]}
          />
        </>
      ) : form.kind === "readout" ? (
        <p className="text-sm text-quiet">A readout shows what its target says; hands do not move it.</p>
      ) : (
        <Select
          label="A press"
          value={form.latching ? "latching" : "momentary"}
          onChange={(kind) => setForm({ kind: "button", latching: kind === "latching" })}
          options={[
            { value: "momentary", text: "on while held" },
            { value: "latching", text: "turns it over" },
          ]}
        />
      )}
      <div className="flex items-center justify-between text-sm">
        <span className="text-quiet">
          position <span className="font-mono text-bone">{(value?.position ?? 0).toFixed(3)}</span>
        </span>
        <PushButton className="px-2! py-0.5!" onClick={() => void report(removeSelected())}>
          <Trash2 size={14} aria-hidden /> Remove
        </PushButton>
      </div>
    </div>
  );
}
