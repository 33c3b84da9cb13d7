import { useMemo } from "react";
import type { FormOf } from "../api/types";
import { partOf, useShow } from "../live/show";
import { ControlBox, textOf } from "./ControlBox";
import { fitted } from "./fit";
import { hand } from "./hand";
import { Mark } from "./Mark";
import "./cueDisplay.css";
import type { ViewOf } from "./view";

const ORDERS: Record<FormOf<"songKey">["order"], string> = {
  NEXT: "Next song",
  PREVIOUS: "Song before",
  READY: "Ready",
  ON_AIR: "On air",
};

/** A key of a set list; it says which song a press would make ready, or put on air. */
export function SongKeyView({ id, control, form, live }: ViewOf<"songKey">) {
  const parts = useShow((s) => s.parts);
  const state = useShow((s) => s.sets.get(form.set ?? ""));
  const handlers = useMemo(() => hand(id, "press", undefined, false, ""), [id]);
  const set = partOf(parts, "setList", form.set)?.part.body.name;
  const song =
    form.order === "NEXT"
      ? state?.next
      : form.order === "ON_AIR"
        ? state?.ready
        : form.order === "READY"
          ? form.song
          : null;
  const name = partOf(parts, "song", song)?.part.body.name;
  const called = control.label || ORDERS[form.order];
  const what = !set
    ? "no set list yet"
    : (name ?? (form.order === "NEXT" ? "the end" : form.order === "ON_AIR" ? "none is ready" : set));
  return (
    <ControlBox id={id} control={control} draw={NOTHING}>
      <div
        className="control-face"
        role="button"
        tabIndex={live ? 0 : -1}
        aria-label={called}
        aria-disabled={set !== undefined && form.order !== "PREVIOUS" && !name}
        aria-description={what}
        {...(live ? handlers : {})}
      >
        <div data-travel className="key-cap">
          <Mark face={control.face} />
          <span className="key-label" data-label={called} style={fitted(called)}>
            {called}
          </span>
          <span className="key-state">{what}</span>
        </div>
      </div>
    </ControlBox>
  );
}

/** The song on air, or the next one. */
export function SongDisplayView({ id, control, form }: ViewOf<"songDisplay">) {
  const parts = useShow((s) => s.parts);
  const state = useShow((s) => s.sets.get(form.set ?? ""));
  const set = partOf(parts, "setList", form.set)?.part.body.name;
  const onAir = form.shows === "ON_AIR";
  const song = partOf(parts, "song", onAir ? state?.onAir : (state?.ready ?? state?.next))?.part.body;
  return (
    <div className="control" data-control={id} {...textOf(control)}>
      <div className="control-face cue-display" role="status" aria-label={control.label || (set ?? "Songs")}>
        {!set && <p className="text-quiet">no set list yet</p>}
        {set && (
          <>
            <p className="cue-display-name">{song?.name ?? (onAir ? "Nothing on air" : "The end")}</p>
            <p className="cue-display-note">{onAir ? "on air" : state?.ready ? "ready" : "next"}</p>
          </>
        )}
      </div>
    </div>
  );
}

/** What it shows comes from its set list and not from a value. */
const NOTHING = () => undefined;
