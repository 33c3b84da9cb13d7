/** What cues and their actions are, in a few words. */
import type { ArgumentSource, Cue, CueAction, CueActionOf, CueFollow, CueState, Held } from "../api/types";
import { nameOf } from "../live/laid";
import { type HeldOf, partOf, partsOf } from "../live/show";

type Parts = ReadonlyMap<string, Held>;

/** The cues of a list, by their numbers. */
export function cuesOf(parts: Parts, list: string): HeldOf<Cue>[] {
  return [...partsOf(parts, "cue", list)].sort(
    (a, b) => Number(a.part.body.number) - Number(b.part.body.number),
  );
}

export const calledCue = (cue: { number: string; name: string }) =>
  cue.name === "" ? `Cue ${cue.number}` : `${cue.number} ${cue.name}`;

const argument = (parts: Parts, source: ArgumentSource): string => {
  switch (source.from) {
    case "fixed":
      return source.text;
    case "named":
      return partOf(parts, "value", source.value)?.part.body.name ?? "?";
    case "control": {
      const control = partOf(parts, "control", source.control);
      return control ? `‹${nameOf(control.part.body)}›` : "?";
    }
    case "said":
      return `‹${source.address}›`;
    default:
      return "…";
  }
};

const SONG_DEEDS: Record<CueActionOf<"songs">["deed"], string> = {
  NEXT: "next song ready",
  PREVIOUS: "song before ready",
  READY: "song ready",
  ON_AIR: "song on air",
};

const seconds = (count: number) => `${count} s`;

/** What an action does, without its delay. */
export function describeAction(parts: Parts, action: CueAction): string {
  const target =
    "target" in action ? (partOf(parts, "target", action.target)?.part.body.name ?? "nobody") : "";
  switch (action.does) {
    case "say":
      return `${target} ${action.address} ${action.arguments.map((a) => argument(parts, a)).join(" ")}`.trim();
    case "bring": {
      const control = partOf(parts, "control", action.control);
      const name = control ? nameOf(control.part.body) : "no control";
      const to = action.to.map((each) => `${Math.round(each * 1000) / 10} %`).join(" ");
      return `${name} to ${to}${action.seconds > 0 ? ` in ${seconds(action.seconds)}` : ""}`;
    }
    case "fade":
      return `${target} ${action.address} ${action.from === null ? "" : `from ${action.from} `}to ${action.to} in ${seconds(action.seconds)}`;
    case "look":
      return `look ${partOf(parts, "look", action.look)?.part.body.name ?? "?"}${action.seconds > 0 ? ` in ${seconds(action.seconds)}` : ""}`;
    case "page":
      return `page ${partOf(parts, "page", action.page)?.part.body.name ?? "?"}${action.people.length > 0 ? ` for ${action.people.join(", ")}` : ""}`;
    case "start":
      return `start list of ${target}`;
    case "hold":
      return action.hold ? `hold ${target}` : `let ${target} go`;
    case "track": {
      const mark = partOf(parts, "trackMark", action.mark)?.part.body.name;
      return `${action.deed.toLowerCase()} ${partOf(parts, "track", action.track)?.part.body.name ?? "?"}${mark ? `: ${mark}` : ""}`;
    }
    case "songs": {
      const song = partOf(parts, "song", action.song)?.part.body.name;
      return `${SONG_DEEDS[action.deed]}${action.deed === "READY" && song ? `: ${song}` : ""} of ${partOf(parts, "setList", action.set)?.part.body.name ?? "?"}`;
    }
    case "list":
      return `${action.deed.toLowerCase()} ${partOf(parts, "cueList", action.list)?.part.body.name ?? "?"}`;
  }
}

export function describeFollow(follow: CueFollow): string {
  switch (follow.how) {
    case "HAND":
      return "";
    case "AFTER":
      return `next after ${seconds(follow.seconds)}`;
    case "TOGETHER":
      return "with the next";
    case "ANSWERED":
      return `next when answered, ${seconds(follow.seconds)} at most`;
  }
}

export type Result = "waits" | "goes on" | "well" | "fell short" | "stopped";

/** What became of a cue as a whole: the worst of its actions. */
export function resultOf(fired: CueState): Result {
  const outcomes = fired.actions.map((action) => action.outcome);
  if (outcomes.includes("FELL_SHORT")) return "fell short";
  if (outcomes.some((o) => o === "GOES_ON" || o === "SAID" || o === "WAITS")) return "goes on";
  if (outcomes.some((o) => o === "STOPPED" || o === "TAKEN" || o === "SKIPPED")) return "stopped";
  return "well";
}
