import { partOf, useShow } from "../live/show";
import { Remaining } from "../live/Remaining";
import { textOf } from "./ControlBox";
import "./cueDisplay.css";
import type { ViewOf } from "./view";

/** The next cue of a list with its note, or what runs with the time that remains. */
export function CueDisplayView({ id, control, form }: ViewOf<"cueDisplay">) {
  const parts = useShow((s) => s.parts);
  const told = useShow((s) => s.cues.get(form.list ?? ""));
  const list = partOf(parts, "cueList", form.list)?.part.body.name;
  const cue = partOf(parts, "cue", told?.state.next)?.part.body;
  return (
    <div className="control" data-control={id} {...textOf(control)}>
      <div
        className="control-face cue-display"
        role="status"
        aria-label={control.label || `${list ?? "Cues"}`}
      >
        {!list && <p className="text-quiet">no cue list yet</p>}
        {list && form.shows === "NEXT" && (
          <>
            <p className="cue-display-name">{cue ? `${cue.number} ${cue.name}`.trim() : "The end"}</p>
            {cue?.note && <p className="cue-display-note">{cue.note}</p>}
          </>
        )}
        {list && form.shows === "RUNNING" && (
          <ul>
            {told?.state.running.length === 0 && <li className="text-quiet">nothing runs</li>}
            {told?.state.running.map((fired) => (
              <li key={fired.number} className="cue-display-run">
                <span>{`${fired.cueNumber} ${fired.name}`.trim()}</span>
                <span className="font-mono">
                  <Remaining told={told.at} ms={fired.endsInMs} still={told.state.paused} />
                </span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
