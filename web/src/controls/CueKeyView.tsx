import { useMemo } from "react";
import type { FormOf } from "../api/types";
import { partOf, useShow } from "../live/show";
import { useGuarded } from "../live/useGuarded";
import { ControlBox } from "./ControlBox";
import { fitted } from "./fit";
import { hand } from "./hand";
import { Mark } from "./Mark";
import type { ViewOf } from "./view";

const ORDERS: Record<FormOf<"cueKey">["order"], string> = {
  GO: "Go",
  BACK: "Back",
  PAUSE: "Pause",
  STOP: "Stop",
  FIRE: "Fire",
  RESET: "Reset",
  STOP_ALL: "Stop all",
};

/** A key that steps a cue list; go shows what it fires. */
export function CueKeyView({ id, control, form, live }: ViewOf<"cueKey">) {
  const parts = useShow((s) => s.parts);
  const told = useShow((s) => s.cues.get(form.list ?? ""));
  const state = told?.state;
  const guarded = useGuarded(told) && form.order === "GO";
  const seen = form.order === "GO" ? (state?.next ?? "") : "";
  const handlers = useMemo(() => hand(id, "press", undefined, false, seen), [id, seen]);
  const cue = partOf(parts, "cue", form.order === "FIRE" ? form.cue : form.order === "GO" ? seen : null);
  const word = form.order === "PAUSE" && state?.paused ? "Resume" : ORDERS[form.order];
  const called = control.label || word;
  const list = partOf(parts, "cueList", form.list)?.part.body.name;
  const what = cue
    ? `${cue.part.body.number} ${cue.part.body.name}`.trim()
    : form.order === "GO" && list
      ? "the end"
      : "";
  return (
    <ControlBox id={id} control={control} draw={NOTHING}>
      <div
        className="control-face"
        role="button"
        tabIndex={live ? 0 : -1}
        aria-label={called}
        aria-disabled={guarded}
        aria-description={what || (list ?? "no cue list yet")}
        {...(live ? handlers : {})}
      >
        <div data-travel className="key-cap">
          <Mark face={control.face} />
          <span className="key-label" data-label={called} style={fitted(called)}>
            {called}
          </span>
          <span className="key-state" data-cue-word>
            {list || form.order === "STOP_ALL" ? what : "no list yet"}
            {state?.deafTo && " · broken off"}
          </span>
        </div>
      </div>
    </ControlBox>
  );
}

/** What it shows comes from its list and not from a value. */
const NOTHING = () => undefined;
