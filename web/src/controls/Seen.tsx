import { controlAt, type Laid } from "../live/laid";
import { useShow } from "../live/show";
import { ControlView } from "./ControlView";
import { WhyMark } from "./WhyMark";

/** The control that lies at a place, or that is shown again there. */
export function Seen({ held, live }: { held: Laid; live: boolean }) {
  const parts = useShow((s) => s.parts);
  const control = controlAt(parts, held);
  if (control)
    return (
      <>
        <ControlView id={control.part.id} control={control.part.body} live={live} />
        {live && <WhyMark id={control.part.id} />}
      </>
    );
  return (
    <div className="control">
      <div className="control-face items-center justify-center text-center text-sm text-quiet">
        The control that was shown here is gone
      </div>
    </div>
  );
}
