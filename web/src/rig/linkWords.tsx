import { Ban, Circle, CircleCheck, CircleDot, MoveRight, Unplug } from "lucide-react";
import type { Link } from "../api/types";

const LOOKS: Record<Link["state"], { word: string; colour: string; Icon: typeof Circle; hint: string }> = {
  UNHEARD: { word: "unheard", colour: "text-quiet", Icon: Circle, hint: "Nothing has come from it yet." },
  HEARD: {
    word: "heard",
    colour: "text-caution",
    Icon: CircleDot,
    hint: "It speaks, but has answered nothing of ours.",
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
    hint: "Its host answers, but nobody has that port open: is the program running, and is this its receiving port?",
  },
  SENDS_ONLY: {
    word: "sends only",
    colour: "text-out",
    Icon: MoveRight,
    hint: "It never answers, by its nature.",
  },
};

const NO_LINK: Pick<Link, "state" | "trouble"> = { state: "UNHEARD", trouble: "" };

export function linkLook(link: Pick<Link, "state" | "trouble"> = NO_LINK) {
  return link.trouble
    ? { word: "no port of ours", colour: "text-fault", Icon: Ban, hint: link.trouble }
    : LOOKS[link.state];
}

/** The state of a link as a shape, a colour and a word. */
export function LinkMark({ link }: { link: Link | undefined }) {
  const { word, colour, Icon } = linkLook(link);
  return (
    <span className={`inline-flex items-center gap-2 font-bold ${colour}`} data-link-state={word}>
      <Icon size={20} aria-hidden /> {word}
    </span>
  );
}
