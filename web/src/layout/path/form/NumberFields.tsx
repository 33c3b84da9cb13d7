/** Forms of which there is a number or two to say. */
import { EditField } from "../../../ui/EditField";
import { NumberField } from "../../../ui/fields";
import type { FieldsOf } from "./fields";

export function TiltFields({ form, put }: FieldsOf<"tilt">) {
  return (
    <NumberField
      label="Full-scale angle (°)"
      value={form.degrees}
      onCommit={(degrees) => put("form/degrees", { degrees })}
    />
  );
}

export function MotionFields({ form, put }: FieldsOf<"motion">) {
  return (
    <NumberField
      label="Full scale (m/s²)"
      value={form.most}
      onCommit={(most) => put("form/most", { most })}
    />
  );
}

export function WheelFields({ form, put }: FieldsOf<"wheel">) {
  return (
    <NumberField
      label="Steps of a turn"
      whole
      value={form.steps}
      onCommit={(steps) => put("form/steps", { steps })}
    />
  );
}

export function TapFields({ form, put }: FieldsOf<"tap">) {
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField
        label="Slowest, a minute"
        value={form.slowest}
        onCommit={(slowest) => put("form/fastest", { slowest })}
      />
      <NumberField
        label="Fastest"
        value={form.fastest}
        onCommit={(fastest) => put("form/fastest", { fastest })}
      />
    </div>
  );
}

export function ColourFields({ form, put }: FieldsOf<"colour">) {
  return (
    <EditField
      label="Saved colours"
      mono
      value={form.swatches.join(" ")}
      onCommit={(text) =>
        put("form/swatches", {
          swatches: text
            .toLowerCase()
            .split(/[\s,]+/)
            .filter(Boolean),
        })
      }
    />
  );
}
