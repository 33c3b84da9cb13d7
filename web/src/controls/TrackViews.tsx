import { useEffect, useMemo, useRef } from "react";
import type { FormOf } from "../api/types";
import { clock, positionAt } from "../live/position";
import { partOf, useShow } from "../live/show";
import { ControlBox, textOf } from "./ControlBox";
import { fitted } from "./fit";
import { hand } from "./hand";
import { Mark } from "./Mark";
import "./cueDisplay.css";
import type { ViewOf } from "./view";

const ORDERS: Record<FormOf<"trackKey">["order"], string> = {
  PLAY: "Play",
  START: "To the start",
  MARK: "Go to",
  LOOP: "Loop",
  LEAVE: "Leave the loop",
};

/** A key that plays a track or places it; play says what a press would do now. */
export function TrackKeyView({ id, control, form, live }: ViewOf<"trackKey">) {
  const parts = useShow((s) => s.parts);
  const rolling = useShow((s) => s.tracks.get(form.track ?? "")?.state.rolling ?? false);
  const looping = useShow((s) => s.tracks.get(form.track ?? "")?.state.loop != null);
  const handlers = useMemo(() => hand(id, "press", undefined, false, ""), [id]);
  const track = partOf(parts, "track", form.track)?.part.body.name;
  const mark = partOf(parts, "trackMark", form.mark)?.part.body.name;
  const called = control.label || (form.order === "PLAY" && rolling ? "Pause" : ORDERS[form.order]);
  const what = !track
    ? "no track yet"
    : form.order === "MARK" || form.order === "LOOP"
      ? (mark ?? "no mark yet")
      : track;
  const lit = (form.order === "PLAY" && rolling) || (form.order === "LEAVE" && looping);
  return (
    <ControlBox id={id} control={control} draw={NOTHING}>
      <div
        className="control-face"
        role="button"
        tabIndex={live ? 0 : -1}
        aria-label={called}
        aria-pressed={lit}
        aria-description={what}
        {...(live ? handlers : {})}
      >
        <div data-travel className="key-cap">
          <Mark face={control.face} />
          <span className="key-label" data-label={called} style={fitted(called)}>
            {called}
          </span>
          <span className="key-state">{lit && form.order === "PLAY" ? `plays ${what}` : what}</span>
        </div>
      </div>
    </ControlBox>
  );
}

/** Where a track is. */
export function TrackDisplayView({ id, control, form }: ViewOf<"trackDisplay">) {
  const parts = useShow((s) => s.parts);
  const track = partOf(parts, "track", form.track)?.part.body;
  const line = useRef<HTMLParagraphElement>(null);
  const length = track?.from.source === "DAY" ? Infinity : (track?.seconds ?? 0);
  useEffect(() => {
    // twenty-five times a second would draw everything anew
    let frame = 0;
    const draw = () => {
      const told = form.track ? useShow.getState().tracks.get(form.track) : undefined;
      if (line.current)
        line.current.textContent = clock(told ? positionAt(told, performance.now(), length) : 0, 1);
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [form.track, length]);
  return (
    <div className="control" data-control={id} {...textOf(control)}>
      <div
        className="control-face cue-display"
        role="status"
        aria-label={control.label || (track?.name ?? "Track")}
      >
        {track ? (
          <>
            <p ref={line} className="cue-display-name font-mono" />
            <p className="cue-display-note">{track.name}</p>
          </>
        ) : (
          <p className="text-quiet">no track yet</p>
        )}
      </div>
    </div>
  );
}

/** What it shows comes from its track and not from a value. */
const NOTHING = () => undefined;
