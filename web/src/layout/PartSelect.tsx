import type { Body, Problem } from "../api/types";
import { inDraft } from "../live/laid";
import { partsOf, useShow } from "../live/show";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";

const NONE = "none";

type Kind = Extract<
  Body["kind"],
  "cue" | "cueList" | "look" | "page" | "setList" | "song" | "target" | "track" | "trackMark"
>;

interface Props {
  label: string;
  kind: Kind;
  /** In which part it lies. */
  inside?: string | null;
  /** What stands there while none is chosen. */
  none?: string;
  value: string | null;
  className?: string;
  set: (id: string | null) => Promise<Problem[]>;
}

type Listed = Extract<Body, { kind: Kind }>;

const called = (body: Listed) =>
  body.kind === "cue" ? `${body.number} ${body.name}` : body.name || "without a name";

/** Cues are in the order of their numbers, all else as people see it. */
const before = (one: Listed, other: Listed) =>
  one.kind === "cue" && other.kind === "cue" ? Number(one.number) - Number(other.number) : 0;

/** One part of a kind by its name, or none yet. */
export function PartSelect({ label, kind, inside, none = "none yet", value, className, set }: Props) {
  const parts = useShow((s) => s.parts);
  const all = partsOf(parts, kind, inside ?? undefined)
    .filter(({ part }) => !inDraft(parts, part.id))
    .sort((one, other) => before(one.part.body, other.part.body));
  return (
    <Select
      label={label}
      className={className}
      value={value && parts.has(value) ? value : NONE}
      onChange={(id) => void report(set(id === NONE ? null : id))}
      options={[
        { value: NONE, text: none },
        ...all.map(({ part }) => ({ value: part.id, text: called(part.body) })),
      ]}
    />
  );
}
