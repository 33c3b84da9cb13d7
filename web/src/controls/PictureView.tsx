import { textOf } from "./ControlBox";
import { Mark } from "./Mark";
import { Tape } from "./Tape";
import type { ViewOf } from "./view";

/** A picture and nothing else; nothing to touch. */
export function PictureView({ id, control }: ViewOf<"picture">) {
  return (
    <div className="control" data-control={id} {...textOf(control)}>
      <div className="control-face" role="img" aria-label={control.label || "picture"}>
        <div className="picture-room">
          {control.face.picture ? (
            <Mark face={control.face} />
          ) : (
            <span className="p-1 text-center text-sm text-quiet">No picture yet: choose one in Touch</span>
          )}
        </div>
        <Tape label={control.label} />
      </div>
    </div>
  );
}
