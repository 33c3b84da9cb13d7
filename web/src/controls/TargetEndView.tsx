import type { Target } from "../api/types";
import { partOf, useShow } from "../live/show";
import { change } from "../requests/edits";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { textOf } from "./ControlBox";
import "./targetEnd.css";
import type { ViewOf } from "./view";

/** Where a target is reached, to be changed from a page: all that is sent to it goes there from then on. */
export function TargetEndView({ id, control, form, live }: ViewOf<"targetEnd">) {
  const parts = useShow((s) => s.parts);
  const target = partOf(parts, "target", form.target);
  const body = target?.part.body;
  const put = (field: "host" | "port", update: Partial<Target>) =>
    of(
      field,
      change(`Change the address of ${body!.name}`, "target", target!.part.id, (before) => ({
        ...before,
        ...update,
      })),
    );
  return (
    <div className="control" data-control={id} {...textOf(control)}>
      <fieldset className="control-face target-end" disabled={!live} aria-label={control.label || body?.name}>
        <p className="label-text">{control.label || body?.name || "no target yet"}</p>
        {body && (
          <>
            <EditField
              label="Address"
              mono
              value={body.host}
              onCommit={(host) => put("host", { host: host.trim() })}
            />
            <NumberField label="Port" whole value={body.port} onCommit={(port) => put("port", { port })} />
            {body.standIn?.inUse && <p className="text-sm text-caution">Its stand-in is in use instead.</p>}
          </>
        )}
      </fieldset>
    </div>
  );
}
