import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { GATE_WORDS, setGate } from "./gates";

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
      {name}: {GATE_WORDS[gate].word}. {GATE_WORDS[gate].hint}.{" "}
      <PushButton className="px-2! py-0!" onClick={() => setGate(target, "OPEN")}>
        {gate === "REHEARSING" ? "End rehearsal" : `Release ${name}`}
      </PushButton>
    </p>
  );
}
