import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { setGate } from "./gates";

const WHY = {
  HELD: "held: nothing is sent by hand",
  SILENT: "silent: nothing is sent at all",
  REHEARSING: "in rehearsal: all is shown, nothing is sent",
};

/** Says that what is meant for a target does not leave now, with the press that changes it; nothing where it leaves. */
export function NotLeaving({ target }: { target: string | null }) {
  const gate = useShow((s) => (target ? s.links.get(target)?.gate : undefined)) ?? "OPEN";
  const name = useShow((s) => {
    const body = target ? s.parts.get(target)?.part.body : undefined;
    return body?.kind === "target" ? body.name : "";
  });
  if (gate === "OPEN") return null;
  return (
    <p role="status" className="rounded border border-caution px-2 py-0.5 text-sm text-caution">
      {name} is {WHY[gate]}{" "}
      <PushButton className="px-2! py-0!" onClick={() => setGate(target, "OPEN")}>
        Send again
      </PushButton>
    </p>
  );
}
