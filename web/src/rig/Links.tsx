import { BookOpen, Plus, Radar } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { changeRig } from "../requests/rig";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { NextSteps } from "../ui/NextSteps";
import { report } from "../ui/notices";
import { GateSwitch } from "./GateSwitch";
import { TargetRow } from "./TargetRow";

/** Every target of the show: our end, its end, and what runs between them. */
export function Links() {
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const targets = partsOf(parts, "target");
  const [added, setAdded] = useState("");
  const navigate = useNavigate();

  const add = () => {
    const id = crypto.randomUUID();
    setAdded(id);
    void report(changeRig({ what: "addTarget", id, name: null, place: null, answerPort: null }));
  };

  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-4 max-md:gap-2">
        <h1 className="flex-1 text-2xl font-bold">Links</h1>
        {live && targets.length > 0 && <GateSwitch target={null} name="all targets" />}
        <PushButton onClick={add} strong={targets.length === 0}>
          <Plus size={18} aria-hidden /> Add target
        </PushButton>
      </div>
      {targets.length === 0 && (
        <NextSteps
          title="No target yet. What is to receive your messages?"
          steps={[
            {
              title: "Found on the network",
              text: "Devices that announce themselves are added with one press.",
              Icon: Radar,
              act: () => void navigate("/rig/machine"),
            },
            {
              title: "From a phrasebook",
              text: "Import the message list of a device: a table, a file, or another show.",
              Icon: BookOpen,
              act: () => void navigate("/rig/phrasebooks"),
            },
            {
              title: "By hand",
              text: "Enter its address and the port it receives on.",
              Icon: Plus,
              act: add,
            },
          ]}
        />
      )}
      <ul className="flex flex-col gap-3">
        {targets.map((held) => (
          <TargetRow key={held.part.id} held={held} startsOpen={held.part.id === added} />
        ))}
      </ul>
    </>
  );
}
