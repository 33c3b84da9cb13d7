import { Plus } from "lucide-react";
import { edit } from "../api/edits";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { TargetRow } from "./TargetRow";

/** Every target of the show: our end, its end, and what runs between them. */
export function RigStation() {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");

  const add = () => {
    const taken = targets.map((t) => t.part.body);
    const answerPort = Math.max(9200, ...taken.map((t) => t.answerPort)) + 1;
    void report(
      edit("Add a target", [
        {
          step: "put",
          basedOn: 0,
          part: {
            id: crypto.randomUUID(),
            parent: null,
            order: targets.length,
            body: {
              kind: "target",
              name: `Target ${targets.length + 1}`,
              host: "127.0.0.1",
              port: 7000,
              answerPort: Math.min(answerPort, 65535),
              answering: "REPORTS",
              keepAlive: null,
              messagesPerSecond: null,
            },
          },
        },
      ]),
    );
  };

  return (
    <main className="mx-auto w-full max-w-6xl overflow-auto p-5">
      <div className="mb-4 flex items-center justify-between">
        <h1 className="text-2xl font-bold">Rig</h1>
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
      <ul className="flex flex-col gap-5">
        {targets.map((held) => (
          <TargetRow key={held.part.id} held={held} />
        ))}
      </ul>
    </main>
  );
}
