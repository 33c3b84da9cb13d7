import type { Control } from "../api/types";
import { ButtonView } from "./ButtonView";
import { FaderView } from "./FaderView";

/** A control in its form. */
export function ControlView(props: { id: string; control: Control; live: boolean }) {
  return props.control.form.kind === "fader" ? <FaderView {...props} /> : <ButtonView {...props} />;
}
