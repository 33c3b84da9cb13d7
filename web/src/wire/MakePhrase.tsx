import { useState } from "react";
import type { WireRow } from "../api/types";
import { phraseFrom } from "../requests/wire";
import { PushButton } from "../ui/buttons";

/** Adds what was seen to the phrasebook of its target. */
export function MakePhrase({ packet }: { packet: WireRow }) {
  const [said, setSaid] = useState("");
  const make = async () => {
    const problems = await phraseFrom(packet.number);
    setSaid(problems[0]?.message ?? "Added to the phrasebook. Its range is what was seen so far.");
  };
  return (
    <>
      <PushButton onClick={() => void make()}>Add to phrasebook</PushButton>
      {said && (
        <p role="status" className="order-last w-full text-caution">
          {said}
        </p>
      )}
    </>
  );
}
