/** The words that Imperan has of its own; all others are the trade's. */
const WORDS: { word: string; means: string }[] = [
  {
    word: "show",
    means:
      "Everything one programmer keeps together: rig, layouts, phrasebooks. One show is live at a time; the others can be edited.",
  },
  {
    word: "track, mark, section",
    means:
      "A track is a stretch of time on which a cue list lies: that of a sound, or silence. It is played here, follows a position that a target reports, or the time of day. A mark is a place on it; a mark with a length is a section, which can be looped.",
  },
  {
    word: "armed",
    means:
      "A track fires the cues that it passes only while it is armed. One that follows somebody else's clock has to be armed after each start; what it passed before that is listed as missed.",
  },
  {
    word: "song, ready, on air",
    means:
      "A set list has songs, each with a cue list and a page. A song is made ready: its page and its cues come up. Then it is put on air: its track plays, or its cue list begins, and the song before stops.",
  },
  { word: "rig", means: "The machines and targets of a show, with their addresses, ports and links." },
  {
    word: "target",
    means:
      "A piece of software or hardware that receives messages: an address, a port, and the port on which its answers reach us.",
  },
  {
    word: "link",
    means:
      "The state of a target now: idle, no reply yet, receiving, answering, lost, port closed, send only; held or silent where you say so.",
  },
  {
    word: "held, silent, rehearsal",
    means:
      "Held: nothing is sent by hand, the link is kept alive. Silent: nothing is sent at all. Rehearsal: everything is shown as it would be sent, and nothing leaves.",
  },
  {
    word: "phrasebook, phrase",
    means:
      "What a target understands and says. Each phrase is an address with its arguments, ranges and the answer to expect.",
  },
  {
    word: "link sheet",
    means: "What a phrasebook knows about reaching its target: ports, keep-alive, pace, set-up steps.",
  },
  { word: "slot", means: "A part of an address that stands for many: <ch:1..12> in /in/<ch:1..12>/level." },
  {
    word: "send, listen, line",
    means: "A send is an outgoing message of a control, a listen is what moves or lights it. Both are lines.",
  },
  {
    word: "path",
    means: "Everything that happens to one touch, left to right: touch, shaping, message, wire, answer.",
  },
  {
    word: "echo mark",
    means: "The mark at the value that the target last reported, beside the cap at the value we sent.",
  },
  {
    word: "no value, reported, unconfirmed, stale",
    means:
      "What may be believed of a value: never sent or received; reported by its target; sent to a target that does not answer; reported, but before the link was lost.",
  },
  { word: "rest value", means: "Where a control goes on double-tap and when its page is reset." },
  {
    word: "tray, bank",
    means:
      "A tray is a group of controls that moves, copies and hides as one. Wider inside than outside it is a bank: a moving window of a long row.",
  },
  {
    word: "start list",
    means: "The messages that put a target into its known state. They are shown before they are sent.",
  },
  { word: "wire", means: "The live traffic, both directions, decoded." },
  {
    word: "capture",
    means:
      "Packets recorded from the wire and kept with the show. It opens in network analysers, and plays to a target.",
  },
  {
    word: "proof, verdict",
    means:
      "A run that sends every line, compares what is answered, and puts back what it moved; and what it says of each line. Undecided: something came that proves nothing, such as the same value returned. Not tried: nothing was sent, or nothing can be known.",
  },
  {
    word: "ready check",
    means: "One page before the doors open: every link, gate, start list, line and answer that is not ready.",
  },
  {
    word: "watch",
    means:
      "What is lost, not answered or not sent while the show plays: each once, with how often, until it is well. Nothing is sent for it.",
  },
  {
    word: "finding",
    means: "Something the checks noticed, such as a port clash, with its evidence and a mend.",
  },
  {
    word: "forward",
    means:
      "A way from what one target says to another target, through steps. It goes once round a ring at most.",
  },
  {
    word: "named value",
    means: "A value with a name that several messages say. It is changed in one place.",
  },
  {
    word: "stand-in",
    means: "A small simulated device that comes with Imperan and really speaks over the network.",
  },
  { word: "workline", means: "The bar at the top: the stations in the order of the work." },
];

/** A page that explains the words one meets nowhere else. */
export function Glossary() {
  return (
    <main className="mx-auto w-full max-w-4xl overflow-auto p-5">
      <h1 className="mb-4 text-2xl font-bold">Words used here</h1>
      <dl>
        {WORDS.map(({ word, means }) => (
          <div
            key={word}
            className="grid grid-cols-[14rem_1fr] gap-4 border-b border-rule py-2 max-sm:grid-cols-1"
          >
            <dt className="font-bold">{word}</dt>
            <dd className="text-quiet">{means}</dd>
          </div>
        ))}
      </dl>
    </main>
  );
}
