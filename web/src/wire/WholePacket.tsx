import { useEffect, useState } from "react";
import { read } from "../requests/read";
import type { WireRow } from "../api/types";
import { askWhy } from "../live/why";
import { PushButton } from "../ui/buttons";
import { SidePanel } from "../ui/SidePanel";
import { clockTime } from "../ui/time";

/** Bytes in groups of four, as OSC aligns them. */
const grouped = (hex: string) => hex.replace(/(.{8})/g, "$1 ").trim();

/** One packet with all that it holds; the list has long ones shortened. */
export function WholePacket({ row, onClose }: { row: WireRow; onClose: () => void }) {
  const [whole, setWhole] = useState(row);
  const [trouble, setTrouble] = useState("");
  useEffect(() => {
    read<WireRow>(`wire/${row.number}`).then(setWhole, () =>
      setTrouble("Only what the list has is still there: newer messages have taken its place."),
    );
  }, [row.number]);
  return (
    <SidePanel title={whole.messages[0]?.address ?? "Message"} mono onClose={onClose}>
      <p className="text-quiet">
        {clockTime(whole.atMillis)},{" "}
        {whole.out ? `${whole.ourPort} → ${whole.peer}` : `${whole.ourPort} ← ${whole.peer}`}, {whole.bytes}{" "}
        bytes
        {whole.bundleTime && `, bundle due ${whole.bundleTime}`}
      </p>
      {trouble && <p className="text-caution">{trouble}</p>}
      {whole.note && <p className="text-caution">{whole.note}</p>}
      {whole.out && whole.target && (
        <PushButton
          className="self-start"
          onClick={() => {
            onClose();
            askWhy({ of: "target", id: whole.target! });
          }}
        >
          Why no answer?
        </PushButton>
      )}
      {whole.malformed && (
        <p className="text-fault">
          Not OSC at byte {whole.malformed.offset}: {whole.malformed.reason}
        </p>
      )}
      {whole.messages.map((line, i) => (
        <div key={i} className="border-t border-rule pt-2 font-mono break-words">
          <p>{line.address}</p>
          <p className="text-quiet">{line.typeTags}</p>
          <p>{line.arguments}</p>
        </div>
      ))}
      <h3 className="mt-2 text-sm text-quiet">Bytes</h3>
      <p className="font-mono text-sm break-words text-quiet">{grouped(whole.hex)}</p>
    </SidePanel>
  );
}
