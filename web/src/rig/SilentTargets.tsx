import { partsOf, useShow } from "../live/show";
import { GATE_WORDS } from "./gates";
import { isSilent, linkLook } from "./linkWords";

/**
 * Which targets are not reached, and why, for a hand that moves a fader and sees nothing happen. One line in a row that is
 * there anyway: whatever came between the controls and the edge of the screen would move them under a finger.
 */
export function SilentTargets() {
  const parts = useShow((s) => s.parts);
  const links = useShow((s) => s.links);
  const silent = partsOf(parts, "target").flatMap(({ part }) => {
    const link = links.get(part.id);
    if (link && link.gate !== "OPEN") return [{ name: part.body.name, ...GATE_WORDS[link.gate] }];
    return link && isSilent(link) ? [{ name: part.body.name, ...linkLook(link) }] : [];
  });
  const words = silent.map(({ name, word, hint }) => `${name}: ${word}. ${hint}`).join(" · ");
  return (
    <p
      role="status"
      aria-label="Targets not reached"
      title={words}
      className={`min-w-0 flex-1 truncate px-2 ${silent.length ? "max-sm:max-w-28" : "max-sm:hidden"}`}
    >
      {silent.map(({ name, word, hint }) => (
        <span key={name} className="mr-4">
          <strong className="text-lg text-fault">
            {name}: {word}.
          </strong>{" "}
          <span className="max-sm:hidden">{hint}</span>
        </span>
      ))}
    </p>
  );
}
