/** The kinds of actions, and what each is when it is added. */
import {
  Images,
  ListMusic,
  ListVideo,
  Music,
  type LucideIcon,
  MessageSquare,
  OctagonPause,
  PanelsTopLeft,
  Power,
  SlidersVertical,
  TrendingUp,
} from "lucide-react";
import type { CueAction } from "../api/types";

export const ACTIONS: Record<CueAction["does"], { text: string; Icon: LucideIcon }> = {
  say: { text: "Send a message", Icon: MessageSquare },
  fade: { text: "Fade a number", Icon: TrendingUp },
  bring: { text: "Move a control", Icon: SlidersVertical },
  look: { text: "Recall a look", Icon: Images },
  page: { text: "Show a page", Icon: PanelsTopLeft },
  start: { text: "Send a start list", Icon: Power },
  hold: { text: "Hold or let go", Icon: OctagonPause },
  list: { text: "Steer a list", Icon: ListVideo },
  track: { text: "Play a track", Icon: Music },
  songs: { text: "Change the song", Icon: ListMusic },
};

const FIRST_FADE = 2;

export function freshAction(does: CueAction["does"], target: string | null): CueAction {
  const delay = 0;
  const fade = { seconds: FIRST_FADE, curve: "EVEN" as const };
  switch (does) {
    case "say":
      return { does, delay, target, address: "/address", arguments: [] };
    case "fade":
      return {
        does,
        delay,
        target,
        address: "/address",
        arguments: [{ from: "value", type: "FLOAT32", shaping: [], axis: 0 }],
        from: null,
        to: 1,
        unknown: "SKIP",
        ...fade,
      };
    case "bring":
      return { does, delay, control: null, to: [1], ...fade };
    case "look":
      return { does, delay, look: null, ...fade };
    case "page":
      return { does, delay, page: null, people: [] };
    case "start":
      return { does, delay, target };
    case "hold":
      return { does, delay, target, hold: true };
    case "list":
      return { does, delay, list: null, deed: "GO" };
    case "track":
      return { does, delay, track: null, deed: "PLAY", mark: null };
    case "songs":
      return { does, delay, set: null, deed: "NEXT", song: null };
  }
}
