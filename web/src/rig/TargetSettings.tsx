import { Trash2 } from "lucide-react";
import { change, remove } from "../requests/edits";
import { changeRig } from "../requests/rig";
import type { Link, Target } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { Check, NumberField, of, OptionalNumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { endOf, withEnd } from "./ends";
import { KeepAliveFields } from "./KeepAliveFields";
import { LinkLog } from "./LinkLog";
import { useTargetView } from "./rig";
import { StartList } from "./StartList";
import { Steps } from "./Steps";

/** Everything that is set of a target, the way to its proven link, and what has been seen of it. */
export function TargetSettings({ held, link }: { held: HeldOf<Target>; link: Link | undefined }) {
  const target = held.part.body;
  const id = held.part.id;
  const parts = useShow((s) => s.parts);
  const reaching = useTargetView(id)?.reaching ?? [];
  const end = endOf(target);
  const put = (field: string, update: (t: Target) => Target) =>
    of(field, change(`Change ${field.replace(/.*\//, "")} of ${target.name}`, "target", id, update));
  const hosts = partsOf(parts, "host").map((h) => h.part.body);
  const books = partsOf(parts, "phrasebook");
  const chosen = target.adapterAddress ?? "";
  const adapters = [
    { value: "any", text: "automatic" },
    ...reaching.map((own) => ({ value: own.address, text: `${own.adapter}, ${own.address}` })),
  ];
  if (chosen && !adapters.some((a) => a.value === chosen))
    adapters.push({ value: chosen, text: `${chosen} (not there now)` });

  return (
    <div className="grid grid-cols-[1.25fr_1fr_1fr] gap-x-6 gap-y-4 border-t border-rule bg-ground/40 p-4 max-xl:grid-cols-2 max-md:grid-cols-1 max-md:p-3">
      <section aria-label="Ends" className="grid grid-cols-2 content-start gap-3">
        <h3 className="col-span-2 font-bold">Both ends</h3>
        <div data-name>
          <EditField
            label="Name"
            value={target.name}
            onCommit={(name) => put("name", (t) => ({ ...t, name }))}
          />
        </div>
        <Select
          label="Host"
          value={hosts.find((h) => h.address === target.host)?.address ?? "other"}
          onChange={(host) => host !== "other" && void report(put("host", (t) => ({ ...t, host })))}
          options={[
            { value: "other", text: "no host of the list" },
            ...hosts
              .filter((h, i) => hosts.findIndex((other) => other.address === h.address) === i)
              .map((h) => ({ value: h.address, text: `${h.name}, ${h.address}` })),
          ]}
        />
        <Select
          label="Phrasebook (brings its link sheet)"
          className="col-span-2"
          value={target.phrasebook ?? "none"}
          onChange={(book) =>
            void report(
              changeRig({ what: "choosePhrasebook", target: id, phrasebook: book === "none" ? null : book }),
            )
          }
          options={[
            { value: "none", text: "none" },
            ...books.map((b) => ({ value: b.part.id, text: b.part.body.name })),
          ]}
        />
        {target.standIn && (
          <label className="col-span-2 flex items-center gap-2">
            <input
              type="checkbox"
              checked={target.standIn.inUse}
              onChange={(e) => {
                const inUse = e.target.checked;
                void report(put("standIn", (t) => ({ ...t, standIn: { ...t.standIn!, inUse } })));
              }}
            />
            Use the stand-in
            {target.standIn.inUse && (
              <span className="text-sm text-quiet">
                (at the venue: {target.host}, port {target.port})
              </span>
            )}
          </label>
        )}
        <EditField
          label="Address"
          value={end.host}
          mono
          onCommit={(host) => put(`${end.field}host`, (t) => withEnd(t, { host }))}
        />
        <NumberField
          label="It receives on port"
          value={end.port}
          whole
          onCommit={(port) => put(`${end.field}port`, (t) => withEnd(t, { port }))}
        />
        <NumberField
          label="Answers reach us on port"
          value={target.answerPort}
          whole
          onCommit={(answerPort) => put("answerPort", (t) => ({ ...t, answerPort }))}
        />
        <Select
          label="Network interface"
          value={chosen || "any"}
          onChange={(own) =>
            void report(put("adapterAddress", (t) => ({ ...t, adapterAddress: own === "any" ? null : own })))
          }
          options={adapters}
        />
        <Select
          label="Protocol"
          value={target.transport}
          onChange={(transport) => void report(put("transport", (t) => ({ ...t, transport })))}
          options={[
            { value: "UDP", text: "UDP" },
            { value: "TCP_LENGTH", text: "TCP, length first (OSC 1.0)" },
            { value: "TCP_SLIP", text: "TCP, SLIP (OSC 1.1)" },
          ]}
        />
        <Select
          label="Replies to"
          value={target.answering}
          onChange={(answering) => void report(put("answering", (t) => ({ ...t, answering })))}
          options={[
            { value: "QUERIES", text: "changes and queries" },
            { value: "REPORTS", text: "changes only" },
            { value: "NONE", text: "nothing: one-way" },
          ]}
        />
        <OptionalNumberField
          label="At most, messages a second"
          none="no limit"
          value={target.messagesPerSecond}
          onCommit={(messagesPerSecond) => put("messagesPerSecond", (t) => ({ ...t, messagesPerSecond }))}
        />
        <Check
          className="pt-5"
          label="Held when the show starts"
          checked={target.startsHeld}
          onChange={(startsHeld) => void report(put("startsHeld", (t) => ({ ...t, startsHeld })))}
        />
        <Check
          className="pt-5"
          label="Send in bundles"
          checked={target.bundles}
          onChange={(bundles) => void report(put("bundles", (t) => ({ ...t, bundles })))}
        />
        <KeepAliveFields
          keep={target.keepAlive}
          put={(field, update) => put(field, (t) => ({ ...t, keepAlive: update(t.keepAlive) }))}
        />
      </section>
      <Steps id={id} name={target.name} />
      <div className="flex min-w-0 flex-col gap-4">
        <StartList id={id} target={target} put={put} />
        <LinkLog id={id} link={link} />
      </div>
      <div className="col-span-full flex justify-between gap-3">
        {target.standIn === null && (
          <PushButton
            onClick={() =>
              void report(
                put("standIn", (t) => ({ ...t, standIn: { host: "127.0.0.1", port: t.port, inUse: true } })),
              )
            }
          >
            Use a stand-in
          </PushButton>
        )}
        <PushButton
          aria-label={`Remove ${target.name}`}
          className="ml-auto"
          onClick={() => void report(remove(`Remove ${target.name}`, id))}
        >
          <Trash2 size={16} aria-hidden /> Remove this target
        </PushButton>
      </div>
    </div>
  );
}
