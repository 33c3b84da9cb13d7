import { useState } from "react";
import type { CaptureLine, PlayAsked } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { play } from "../requests/captures";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";
import { usePeers } from "./usePeers";

const EVERYBODY = "everybody";
const STEP = "step";

/** Chooses what of a capture is played, to whom, and how fast. */
export function PlayDialog({ capture, onClose }: { capture: CaptureLine; onClose: () => void }) {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");
  const [target, setTarget] = useState(targets[0]?.part.id ?? "");
  const [which, setWhich] = useState<PlayAsked["which"]>("OUT");
  const peers = usePeers(capture.id);
  const [peer, setPeer] = useState(EVERYBODY);
  const [speed, setSpeed] = useState("1");
  const named = (end: string) =>
    targets.find((t) => {
      const { host, port, standIn } = t.part.body;
      return end === `${host}:${port}` || (standIn && end === `${standIn.host}:${standIn.port}`);
    })?.part.body.name;
  return (
    <WideDialog
      title={`Play “${capture.name}” to a target`}
      onClose={onClose}
      action="Play"
      ready={target !== ""}
      act={() =>
        play({
          capture: capture.id,
          target,
          which,
          peer: peer === EVERYBODY ? "" : peer,
          speed: speed === STEP ? 1 : Number(speed),
          byStep: speed === STEP,
        })
      }
    >
      <p>
        The packets leave as they were recorded, at their own times: no pace is kept, and nothing is put back.
        A target that is held gets none of them.
      </p>
      <div className="flex flex-wrap gap-3">
        <Select
          label="To"
          className="w-44"
          value={target}
          onChange={setTarget}
          options={targets.map((t) => ({ value: t.part.id, text: t.part.body.name }))}
        />
        <Select<PlayAsked["which"]>
          label="Packets"
          className="w-44"
          value={which}
          onChange={setWhich}
          options={[
            { value: "OUT", text: "that we sent" },
            { value: "IN", text: "that came" },
            { value: "ALL", text: "all" },
          ]}
        />
        <Select
          label="Of the other end"
          className="w-64"
          value={peer}
          onChange={setPeer}
          options={[
            { value: EVERYBODY, text: "everybody" },
            ...peers.map((end) => ({ value: end, text: named(end) ? `${named(end)} (${end})` : end })),
          ]}
        />
        <Select
          label="Speed"
          className="w-44"
          value={speed}
          onChange={setSpeed}
          options={[
            { value: "0.25", text: "a quarter" },
            { value: "0.5", text: "half" },
            { value: "1", text: "as recorded" },
            { value: "2", text: "twice" },
            { value: "10", text: "ten times" },
            { value: STEP, text: "one by one" },
          ]}
        />
      </div>
    </WideDialog>
  );
}
