import { Plus } from "lucide-react";
import { useState } from "react";
import { changeRig } from "../api/rig";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { GateSwitch } from "./GateSwitch";
import { TargetRow } from "./TargetRow";

/** Every target of the show: our end, its end, and what runs between them. */
export function Links() {
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const targets = partsOf(parts, "target");
  const [added, setAdded] = useState("");

  const add = () => {
    const id = crypto.randomUUID();
    setAdded(id);
    void report(changeRig({ what: "addTarget", id, name: null, place: null, answerPort: null }));
  };

  return (
    <>
      <div className="mb-3 flex items-center gap-4">
        <h1 className="flex-1 text-2xl font-bold">Links</h1>
        {live && targets.length > 0 && <GateSwitch target={null} name="all targets" />}
        <PushButton onClick={add} strong={targets.length === 0}>
          <Plus size={18} aria-hidden /> Add target
        </PushButton>
      </div>
      {targets.length === 0 && (
        <p className="rounded bg-panel p-6 text-lg text-quiet">
          No target yet. Add the first piece of software or hardware that is to hear from you: its address and
          the port it receives on are all it takes.
        </p>
      )}
      <ul className="flex flex-col gap-3">
        {targets.map((held) => (
          <TargetRow key={held.part.id} held={held} startsOpen={held.part.id === added} />
        ))}
      </ul>
    </>
  );
}
