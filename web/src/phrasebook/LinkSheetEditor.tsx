import { change } from "../requests/edits";
import type { Phrasebook, Problem } from "../api/types";
import type { HeldOf } from "../live/show";
import { KeepAliveFields } from "../rig/KeepAliveFields";
import { EditField } from "../ui/EditField";
import { Check, of, OptionalNumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { SidePanel } from "../ui/SidePanel";

type Sheet = Phrasebook["sheet"];

/** How a kind of target is reached; choosing the phrasebook for a target fills these in. */
export function LinkSheetEditor({ held, onClose }: { held: HeldOf<Phrasebook>; onClose: () => void }) {
  const book = held.part.body;
  const sheet = book.sheet;
  const put = (field: string, update: (s: Sheet) => Sheet): Promise<Problem[]> =>
    of(
      `sheet/${field}`,
      change(`Change the link sheet of ${book.name}`, "phrasebook", held.part.id, (b) => ({
        ...b,
        sheet: update(b.sheet),
      })),
    );
  const numbers: { key: "port" | "messagesPerSecond" | "partners"; label: string; none: string }[] = [
    { key: "port", label: "It usually receives on port", none: "no usual one" },
    { key: "messagesPerSecond", label: "At most, messages a second", none: "no limit" },
    { key: "partners", label: "Partners at once", none: "not known" },
  ];
  return (
    <SidePanel title={`Link sheet: ${book.name}`} onClose={onClose}>
      <div className="grid grid-cols-2 gap-3">
        {numbers.map(({ key, label, none }) => (
          <OptionalNumberField
            key={key}
            label={label}
            none={none}
            value={sheet[key]}
            onCommit={(value) => put(key, (s) => ({ ...s, [key]: value }))}
          />
        ))}
        <Select
          label="Protocol"
          value={sheet.transport}
          options={[
            { value: "UDP", text: "UDP" },
            { value: "TCP_LENGTH", text: "TCP, length first (OSC 1.0)" },
            { value: "TCP_SLIP", text: "TCP, SLIP (OSC 1.1)" },
          ]}
          onChange={(transport) => void report(put("transport", (s) => ({ ...s, transport })))}
        />
        <Select
          label="Its answers go"
          value={sheet.answersTo}
          options={[
            { value: "SENDER", text: "back to the sender" },
            { value: "SET_PORT", text: "to a set address and port" },
            { value: "NOBODY", text: "nowhere" },
          ]}
          onChange={(answersTo) => void report(put("answersTo", (s) => ({ ...s, answersTo })))}
        />
        <Select
          label="Replies to"
          value={sheet.answering}
          options={[
            { value: "QUERIES", text: "changes and queries" },
            { value: "REPORTS", text: "changes only" },
            { value: "NONE", text: "nothing: one-way" },
          ]}
          onChange={(answering) => void report(put("answering", (s) => ({ ...s, answering })))}
        />
        <KeepAliveFields
          keep={sheet.keepAlive}
          put={(field, update) => put(field, (s) => ({ ...s, keepAlive: update(s.keepAlive) }))}
        />
      </div>
      <Check
        label="It takes bundles"
        checked={sheet.takesBundles}
        onChange={(takesBundles) => void report(put("takesBundles", (s) => ({ ...s, takesBundles })))}
      />
      <Select
        label="Spoken"
        value={sheet.dialect}
        options={[
          { value: "osc", text: "OSC" },
          { value: "osc-bare", text: "OSC, addresses may lack the slash at their start" },
        ]}
        onChange={(dialect) => void report(put("dialect", (s) => ({ ...s, dialect })))}
      />
      <EditField
        label="True for these versions"
        value={sheet.versions}
        onCommit={(versions) => put("versions", (s) => ({ ...s, versions }))}
      />
      <h3 className="mt-2 font-bold">What to do at the other end, in order</h3>
      {[...sheet.steps, ""].map((step, i) => (
        <EditField
          key={i}
          label={i < sheet.steps.length ? `Step ${i + 1} (empty: leave it out)` : "Add a step"}
          value={step}
          onCommit={(text) =>
            put("steps", (s) => ({
              ...s,
              steps: [...s.steps.slice(0, i), text.trim(), ...s.steps.slice(i + 1)].filter((t) => t !== ""),
            }))
          }
        />
      ))}
    </SidePanel>
  );
}
