import { Copy, Send, VolumeX } from "lucide-react";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { WirePacket, WirePiece, WireRow } from "../api/types";
import { nameOf } from "../live/laid";
import { partsOf, useShow } from "../live/show";
import { whereIs } from "../live/whereIs";
import { askWhy } from "../live/why";
import { selectAfter } from "../layout/selection";
import { wirePacket } from "../requests/wire";
import { PushButton } from "../ui/buttons";
import { SidePanel } from "../ui/SidePanel";
import { clockTime } from "../ui/time";
import { byWhom } from "./byWhom";
import { GiveTo } from "./GiveTo";
import { MakePhrase } from "./MakePhrase";
import { PlotButton } from "./PlotButton";
import { Direction, From, routeOf, Says } from "./Row";
import { mute } from "./view";

interface Props {
  number: number;
  onOpen: (number: number) => void;
  onClose: () => void;
  /** Puts its message where messages are written. */
  onSendAgain: (target: string, line: string) => void;
}

/** One packet with all that it holds, byte by byte, and what can be made of it. */
export function Packet({ number, onOpen, onClose, onSendAgain }: Props) {
  const [whole, setWhole] = useState<WirePacket | null>(null);
  const [trouble, setTrouble] = useState("");
  useEffect(() => {
    let wanted = true;
    wirePacket(number).then(
      (packet) => {
        if (!wanted) return;
        setWhole(packet);
        setTrouble("");
      },
      () =>
        wanted &&
        setTrouble(
          "This message is no longer kept: newer ones have taken its place. Pause the list to read it.",
        ),
    );
    return () => {
      wanted = false;
    };
  }, [number]);
  const packet = whole?.packet;
  return (
    <SidePanel title={packet?.messages[0]?.address ?? "Message"} mono wide onClose={onClose}>
      {trouble && (
        <p role="alert" className="text-caution">
          {trouble}
        </p>
      )}
      {packet && (
        <div className="flex flex-col gap-3">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <Direction out={packet.out} />
            <From row={packet} />
            <span className="font-mono">{clockTime(packet.atMillis)}</span>
            <span className="font-mono">{routeOf(packet)}</span>
            <span>{packet.bytes} bytes</span>
            {packet.out && <span>by {byWhom(packet)}</span>}
            {packet.bundleTime && <span>bundle due {packet.bundleTime}</span>}
          </div>
          {packet.note && <p className="text-caution">{packet.note}</p>}
          {packet.malformed && (
            <p className="text-fault">
              Not OSC at byte {packet.malformed.offset}: {packet.malformed.reason}
            </p>
          )}
          <Answer packet={packet} pair={whole.pair} onOpen={onOpen} onClose={onClose} />
          <Uses packet={packet} line={whole.line} onClose={onClose} onSendAgain={onSendAgain} />
          <Pieces whole={whole} />
        </div>
      )}
    </SidePanel>
  );
}

/** The other half: what answered it, or what it answers. */
function Answer({
  packet,
  pair,
  onOpen,
  onClose,
}: {
  packet: WireRow;
  pair: WireRow | null;
  onOpen: (number: number) => void;
  onClose: () => void;
}) {
  if (pair)
    return (
      <p className="flex flex-wrap items-center gap-2">
        <span>
          {packet.out ? `Answered after ${packet.answer} by` : `It answers, after ${packet.answer},`}
        </span>
        <button
          type="button"
          className="flex min-w-0 flex-wrap items-center gap-2 rounded border border-rule px-2 py-0.5 font-mono hover:border-bone"
          onClick={() => onOpen(pair.number)}
        >
          <Direction out={pair.out} />
          <Says row={pair} />
        </button>
      </p>
    );
  if (!packet.out || !packet.target) return null;
  return (
    <p className="flex flex-wrap items-center gap-3">
      <span className={packet.unanswered ? "font-bold text-fault" : "text-quiet"}>
        {packet.answer ? `Answer: ${packet.answer}` : "No answer is expected to this."}
      </span>
      <PushButton
        className="px-2! py-0!"
        onClick={() => {
          onClose();
          askWhy({ of: "target", id: packet.target! });
        }}
      >
        Why no answer?
      </PushButton>
    </p>
  );
}

/** What can be made of a message. */
function Uses({
  packet,
  line: text,
  onClose,
  onSendAgain,
}: {
  packet: WireRow;
  line: string;
  onClose: () => void;
  onSendAgain: Props["onSendAgain"];
}) {
  const navigate = useNavigate();
  const parts = useShow((s) => s.parts);
  const [giving, setGiving] = useState(false);
  const line = packet.messages[0];
  if (!line) return null;
  const { address } = line;
  const controls = partsOf(parts, "control").filter(({ part: { body } }) =>
    (packet.out ? body.sends : body.listens).some(
      (each) => each.address === address && each.target === packet.target,
    ),
  );
  const show = (id: string) => {
    const where = whereIs([id], parts, parts);
    if (!where) return;
    onClose();
    selectAfter([], id);
    void navigate(where.path);
  };
  return (
    <section aria-label="Uses" className="flex flex-col gap-2 border-y border-rule py-3">
      <div className="flex flex-wrap gap-2">
        <PushButton onClick={() => void navigator.clipboard.writeText(address)}>
          <Copy size={16} aria-hidden /> Copy address
        </PushButton>
        {packet.target && (
          <PushButton aria-expanded={giving} onClick={() => setGiving(!giving)}>
            Give to a control …
          </PushButton>
        )}
        {packet.target && <MakePhrase packet={packet} />}
        {packet.target && text && (
          <PushButton onClick={() => onSendAgain(packet.target!, text)}>
            <Send size={16} aria-hidden /> Send …
          </PushButton>
        )}
        <PlotButton out={packet.out} source={packet.source} address={address} />
        <PushButton
          onClick={() => {
            mute(packet.source, address);
            onClose();
          }}
        >
          <VolumeX size={16} aria-hidden /> Mute this address
        </PushButton>
        <PushButton
          onClick={() => {
            mute(packet.source, "");
            onClose();
          }}
        >
          <VolumeX size={16} aria-hidden /> Mute {packet.target ? "its target" : "its sender"}
        </PushButton>
      </div>
      {giving && <GiveTo packet={packet} onDone={onClose} />}
      {controls.length > 0 && (
        <p className="flex flex-wrap items-center gap-2">
          <span className="text-quiet">{packet.out ? "Sent by" : "Heard by"}</span>
          {controls.slice(0, 12).map(({ part: { id, body } }) => (
            <PushButton key={id} className="px-2! py-0!" onClick={() => show(id)}>
              {nameOf(body)}
            </PushButton>
          ))}
          {controls.length > 12 && <span className="text-quiet">and {controls.length - 12} more</span>}
        </p>
      )}
    </section>
  );
}

/** Bytes in groups of four, as OSC aligns them. */
const grouped = (hex: string) => hex.replace(/(.{8})/g, "$1 ").trim();

const COLOURS: Partial<Record<WirePiece["kind"], string>> = {
  ADDRESS: "text-bone font-bold",
  TYPE_TAGS: "text-select",
  PADDING: "text-quiet",
  NOT_READ: "text-fault",
  BUNDLE_MARK: "text-quiet",
  TIME_TAG: "text-caution",
  ELEMENT_SIZE: "text-quiet",
  BLOB_SIZE: "text-quiet",
};

/** A packet byte by byte, each piece beside what it means. */
function Pieces({ whole: { packet, pieces, morePieces } }: { whole: WirePacket }) {
  const fault = packet.malformed?.offset;
  return (
    <table className="w-full table-fixed font-mono text-sm" aria-label="Bytes and their meaning">
      <thead>
        <tr className="text-left font-sans text-quiet">
          <th className="w-14 py-1 font-normal">byte</th>
          <th className="w-[22rem] font-normal">bytes</th>
          <th className="w-36 font-normal">what</th>
          <th className="font-normal">meaning</th>
        </tr>
      </thead>
      <tbody>
        {pieces.map((piece) => {
          const here =
            fault !== undefined && fault >= piece.offset && fault < piece.offset + Math.max(1, piece.length);
          return (
            <tr
              key={piece.offset}
              data-piece={piece.kind}
              className={`border-t border-raised align-top ${here ? "bg-raised" : ""}`}
            >
              <td className="py-0.5 text-quiet">{piece.offset}</td>
              <td className={`pr-3 break-words ${COLOURS[piece.kind] ?? "text-in"}`}>
                {grouped(piece.hex)}
                {piece.hex.length < piece.length * 2 && " …"}
              </td>
              <td className="font-sans text-quiet" style={{ paddingLeft: `${piece.depth}rem` }}>
                {piece.what}
              </td>
              <td className={`break-words ${COLOURS[piece.kind] ?? "text-in"}`}>{piece.meaning}</td>
            </tr>
          );
        })}
        {morePieces > 0 && (
          <tr className="font-sans text-quiet">
            <td colSpan={4}>and {morePieces} more</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
