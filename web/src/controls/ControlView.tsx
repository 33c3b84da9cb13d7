import type { Control } from "../api/types";
import { ButtonView } from "./ButtonView";
import { FaderView } from "./FaderView";
import { ReadoutView } from "./ReadoutView";

/** A control in its form. */
export function ControlView(props: { id: string; control: Control; live: boolean }) {
  switch (props.control.form.kind) {
    case "fader":
      return <FaderView {...props} />;
    case "button":
      return <ButtonView {...props} />;
    case "readout":
      return <ReadoutView {...props} />;
  }
}
