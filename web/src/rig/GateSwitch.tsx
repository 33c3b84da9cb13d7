import { Hand, PlayCircle, Send, VolumeX } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import type { Gate } from "../api/types";
import { useShow } from "../live/show";
import { GATE_WORDS, setGate } from "./gates";

const GATES: { gate: Gate; word: string; hint: string; Icon: typeof Hand }[] = [
  { gate: "OPEN", word: "sends", hint: "Messages are sent", Icon: Send },
  { gate: "HELD", ...GATE_WORDS.HELD, Icon: Hand },
  { gate: "SILENT", ...GATE_WORDS.SILENT, Icon: VolumeX },
  { gate: "REHEARSING", ...GATE_WORDS.REHEARSING, Icon: PlayCircle },
];

/** Whether what is meant for a target leaves; for all of them where none is named. */
export function GateSwitch({ target, name }: { target: string | null; name: string }) {
  const links = useShow((s) => s.links);
  const gates = new Set(
    [...links.values()].filter((l) => target === null || l.target === target).map((l) => l.gate),
  );
  const now = gates.size === 1 ? [...gates][0] : "";
  return (
    <ToggleGroup.Root
      type="single"
      value={now}
      onValueChange={(gate) => gate && setGate(target, gate as Gate)}
      aria-label={`Output to ${name}`}
      className="flex flex-none overflow-hidden rounded border border-rule"
    >
      {GATES.map(({ gate, word, hint, Icon }) => (
        <ToggleGroup.Item
          key={gate}
          value={gate}
          title={hint}
          className={`flex items-center gap-1.5 px-2.5 py-1.5 text-quiet max-md:gap-1 max-md:px-2 max-md:text-sm data-[state=on]:font-bold data-[state=on]:text-ink ${
            gate === "OPEN" ? "data-[state=on]:bg-out" : "data-[state=on]:bg-caution"
          }`}
        >
          <Icon size={16} aria-hidden /> {word}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
