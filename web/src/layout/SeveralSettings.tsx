import type { Control } from "../api/types";
import { controlAt, type Laid, nameOf } from "../live/laid";
import { type HeldOf, useShow } from "../live/show";
import { BehaviourFields } from "./path/BehaviourFields";
import { FaceFields } from "./path/FaceFields";
import { FormFields } from "./path/form/FormFields";
import { putControls } from "./path/put";

/** What can be set of all that is selected at once. The fields show the first one; only what is changed there goes to the others. */
export function SeveralSettings({ laid }: { laid: Laid[] }) {
  const parts = useShow((s) => s.parts);
  const byId = new Map(
    laid.flatMap((held) => controlAt(parts, held) ?? []).map((held) => [held.part.id, held]),
  );
  const controls: HeldOf<Control>[] = [...byId.values()];
  const [first] = controls;
  if (!first) return <p className="text-quiet">Trays have no settings in common: select controls.</p>;
  const put = putControls(controls);
  const alike = controls.every((held) => held.part.body.form.kind === first.part.body.form.kind);
  return (
    <div key={first.part.id} className="flex flex-col gap-2">
      <p className="text-sm text-quiet">
        Shown as “{nameOf(first.part.body)}” has it; what you change here changes in{" "}
        {controls.length === 1 ? "it" : `all ${controls.length}`}.
      </p>
      {alike ? (
        <FormFields control={first} put={put} />
      ) : (
        <p className="text-sm">
          Several kinds are selected: settings that only one kind has are set on each control.
        </p>
      )}
      <FaceFields control={first.part.body} put={put} />
      <BehaviourFields control={first.part.body} put={put} />
    </div>
  );
}
