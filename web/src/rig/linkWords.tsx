import { Ban, Circle, CircleCheck, CircleDot, Hand, MoveRight, Unplug } from "lucide-react";
import type { Link } from "../api/types";

const LOOKS: Record<Link["state"], { word: string; colour: string; Icon: typeof Circle; hint: string }> = {
  UNHEARD: {
    word: "no reply yet",
    colour: "text-quiet",
    Icon: Circle,
    hint: "Nothing has come from it yet.",
  },
  HEARD: {
    word: "receiving",
    colour: "text-caution",
    Icon: CircleDot,
    hint: "It sends, but does not answer us: is its OSC input switched on?",
  },
  ANSWERING: { word: "answering", colour: "text-in", Icon: CircleCheck, hint: "It answers what we send." },
  LOST: {
    word: "lost",
    colour: "text-fault",
    Icon: Unplug,
    hint: "It answered before, and has been silent for too long.",
  },
  PORT_CLOSED: {
    word: "port closed",
    colour: "text-fault",
    Icon: Ban,
    hint: "Its host answers, but no program is listening on that port: is the program running, and is this its receiving port?",
  },
  SENDS_ONLY: {
    word: "send only",
    colour: "text-out",
    Icon: MoveRight,
    hint: "It never answers, by its nature.",
  },
};

/** Nothing is sent by hand, so what does not come back is no fault. */
const HELD = {
  ...LOOKS.UNHEARD,
  word: "held",
  colour: "text-caution",
  Icon: Hand,
  hint: "It is held: nothing is sent by hand.",
};

const SILENT = {
  ...HELD,
  word: "silent",
  hint: "It is silent: nothing is sent at all, keep-alives neither.",
};

const NOT_OPEN: Record<Exclude<Link["socket"]["kind"], "OPEN">, string> = {
  OPENING: "opening",
  PORT_TAKEN: "no port of ours",
  NO_WAY: "not connected",
};

type Evidence = Pick<Link, "state" | "socket" | "silentHost" | "unanswered" | "sent" | "gate">;

/** Nothing was sent and nothing came: nobody knows more, and it is no fault. */
const IDLE = {
  ...LOOKS.UNHEARD,
  word: "idle",
  hint: "Nothing was sent to it yet, and nothing came from it.",
};

/** It sends, and nobody asked it anything yet: that it does not answer is no fault. */
const ONLY_HEARD = {
  ...LOOKS.HEARD,
  colour: "text-in",
  hint: "It sends to us. Nothing was sent to it yet.",
};

export const linkWord = (state: Link["state"]) => LOOKS[state].word;

export function linkLook(link?: Evidence) {
  if (!link) return IDLE;
  const { kind, trouble } = link.socket;
  if (kind === "OPENING") return { ...LOOKS.UNHEARD, word: NOT_OPEN[kind], hint: `${trouble}.` };
  if (kind !== "OPEN") return { word: NOT_OPEN[kind], colour: "text-fault", Icon: Ban, hint: `${trouble}.` };
  if (link.silentHost && (link.state === "UNHEARD" || link.state === "LOST"))
    return {
      ...LOOKS[link.state],
      colour: "text-fault",
      hint: "No machine on the network has its address: is it on, and is the address right?",
    };
  if (link.gate === "SILENT") return SILENT;
  if (link.gate === "HELD" && link.state !== "ANSWERING") return HELD;
  if (link.sent === 0 && link.state === "UNHEARD") return IDLE;
  return link.sent === 0 && link.state === "HEARD" ? ONLY_HEARD : LOOKS[link.state];
}

/** Does something stand in the way of this link, which a hand that moves a fader has to know? */
export const isSilent = (link: Evidence) =>
  link.socket.kind === "PORT_TAKEN" ||
  link.socket.kind === "NO_WAY" ||
  link.state === "LOST" ||
  link.state === "PORT_CLOSED" ||
  // before anything was asked of it, that it answered nothing means nothing
  (link.state === "HEARD" && link.unanswered > 0);

/** The state of a link as a shape, a colour and a word. */
export function LinkMark({ link }: { link: Link | undefined }) {
  const { word, colour, Icon } = linkLook(link);
  return (
    <span className={`inline-flex items-center gap-2 font-bold ${colour}`} data-link-state={word}>
      <Icon size={20} aria-hidden /> {word}
    </span>
  );
}
