import type { ArgumentSource, NamedValue, Problem } from "../../api/types";
import { inDraft, nameOf, pageOf } from "../../live/laid";
import { partOf, partsOf, useShow } from "../../live/show";
import { change } from "../../requests/edits";
import { EditField } from "../../ui/EditField";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";

export type LookedUp = Extract<ArgumentSource, { from: "named" | "control" | "said" }>;

export const LOOKED_UP: { value: LookedUp["from"]; text: string }[] = [
  { value: "named", text: "named value" },
  { value: "control", text: "another control" },
  { value: "said", text: "what a target said" },
];

export const isLookedUp = (source: ArgumentSource): source is LookedUp =>
  LOOKED_UP.some(({ value }) => value === source.from);

const NONE = "none";

/** A first source of its kind; which value, control or target is chosen next. */
export function lookedUp(from: LookedUp["from"], type: ArgumentSource["type"]): LookedUp {
  switch (from) {
    case "named":
      return { from, type, value: null };
    case "control":
      return { from, type, control: null, shaping: [], axis: 0 };
    case "said":
      return { from, type, target: null, address: "/address", argument: 0, shaping: [] };
  }
}

interface Props {
  source: LookedUp;
  /** The control whose send it is; it does not look up itself. */
  self?: string;
  set: (update: (now: ArgumentSource) => ArgumentSource) => Promise<Problem[]>;
}

/** Where an argument is looked up as the message leaves. */
export function LookedUpFields({ source, self, set }: Props) {
  const parts = useShow((s) => s.parts);
  const make = (update: Partial<LookedUp>) => set((now) => ({ ...now, ...update }) as ArgumentSource);
  const chosen = (id: string | null) => (id && parts.has(id) ? id : NONE);
  const none = { value: NONE, text: "not chosen yet" };

  if (source.from === "named") {
    const value = partOf(parts, "value", source.value);
    const values = partsOf(parts, "value");
    return (
      <div className="grid w-full grid-cols-2 gap-1.5">
        <Select
          label="Named value"
          value={chosen(source.value)}
          onChange={(id) => void report(make({ value: id === NONE ? null : id }))}
          options={[none, ...values.map((v) => ({ value: v.part.id, text: v.part.body.name }))]}
        />
        {value ? (
          <EditField
            label="Is, everywhere"
            mono
            value={value.part.body.text}
            onCommit={(text) =>
              change(`Change ${value.part.body.name}`, "value", value.part.id, (before: NamedValue) => ({
                ...before,
                text,
              }))
            }
          />
        ) : (
          <p className="self-end text-sm text-quiet">
            {values.length === 0 ? "There is none yet: add one under Lines, Named values." : "Choose one."}
          </p>
        )}
      </div>
    );
  }
  if (source.from === "control") {
    const others = partsOf(parts, "control")
      .filter((c) => c.part.id !== self && !inDraft(parts, pageOf(parts, c.part.id) ?? ""))
      .map((c) => ({
        value: c.part.id,
        text: `${nameOf(c.part.body)} · ${partOf(parts, "page", pageOf(parts, c.part.id))?.part.body.name ?? ""}`,
      }))
      .sort((a, b) => (a.text < b.text ? -1 : 1));
    return (
      <div className="grid w-full grid-cols-[1fr_4rem] gap-1.5">
        <Select
          label="Control"
          value={chosen(source.control)}
          onChange={(id) => void report(make({ control: id === NONE ? null : id }))}
          options={[none, ...others]}
        />
        <NumberField
          label="Axis"
          whole
          value={source.axis + 1}
          onCommit={(axis) => make({ axis: axis - 1 })}
        />
      </div>
    );
  }
  return (
    <div className="grid w-full grid-cols-[1fr_4rem] gap-1.5">
      <Select
        label="Said by"
        className="col-span-2"
        value={chosen(source.target)}
        onChange={(id) => void report(make({ target: id === NONE ? null : id }))}
        options={[
          none,
          ...partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name })),
        ]}
      />
      <EditField label="Said on" mono value={source.address} onCommit={(address) => make({ address })} />
      <NumberField
        label="Its arg."
        whole
        value={source.argument + 1}
        onCommit={(n) => make({ argument: n - 1 })}
      />
    </div>
  );
}
