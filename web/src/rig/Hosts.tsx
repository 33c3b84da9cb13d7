import { Plus, Trash2 } from "lucide-react";
import { changeRig } from "../requests/rig";
import { change, remove } from "../requests/edits";
import type { Host } from "../api/types";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { FindingList } from "../findings/FindingLine";
import { useFindings } from "../findings/findings";
import { useRig } from "./rig";

const ROLES: { value: Host["role"]; text: string }[] = [
  { value: "DEVICE", text: "device" },
  { value: "COMPUTER", text: "computer" },
  { value: "ROUTER", text: "router" },
  { value: "ACCESS_POINT", text: "access point" },
  { value: "SURFACE", text: "touch surface" },
];

const COLUMNS =
  "grid grid-cols-[1.2fr_8.5rem_3.2rem_5.5rem_8rem_5rem_1.4fr_1.4fr_1.2fr_2.2rem] items-start gap-1.5 [&>p]:pt-1.5";

/** The machines of the show's network, with and without targets: addresses, cables, and what the checks say of them. */
export function Hosts() {
  const parts = useShow((s) => s.parts);
  const hosts = partsOf(parts, "host");
  const ids = new Set(hosts.map((h) => h.part.id));
  const network = useRig((s) => s.view?.network);
  const free = useRig((s) => s.view?.free);
  const findings = useFindings().filter((f) => ids.has(f.about));

  const add = () => void report(changeRig({ what: "addHost", id: crypto.randomUUID() }));

  return (
    <>
      <div className="mb-3 flex items-center gap-4">
        <div className="flex-1">
          <h1 className="text-2xl font-bold">Hosts</h1>
          {network && (
            <p className="text-quiet">
              Network <b className="font-mono">{network.network}</b>, mask{" "}
              <b className="font-mono">{network.mask}</b>, hosts <b className="font-mono">{network.first}</b>{" "}
              to <b className="font-mono">{network.last}</b>, broadcast{" "}
              <b className="font-mono">{network.broadcast}</b>
              {free && (
                <>
                  {" "}
                  · next free <b className="font-mono text-bone">{free}</b>
                </>
              )}
            </p>
          )}
        </div>
        <PushButton onClick={add} strong={hosts.length === 0}>
          <Plus size={18} aria-hidden /> Add host
        </PushButton>
      </div>
      {hosts.length === 0 && (
        <p className="rounded bg-panel p-6 text-lg text-quiet">
          No host yet. Add the router first: its address says which network this is, and the addresses it
          gives out are then kept free of all others.
        </p>
      )}
      {findings.length > 0 && (
        <div className="mb-3">
          <FindingList findings={findings} label="Findings of the hosts" />
        </div>
      )}
      {/* on a phone the columns keep their widths, and are scrolled to */}
      <div className="overflow-x-auto">
        <div className="min-w-[60rem]">
          {hosts.length > 0 && (
            <div className={`${COLUMNS} px-1 text-sm text-quiet`} aria-hidden>
              {[
                "Name",
                "Address",
                "Prefix",
                "Addressing",
                "Type",
                "Targets",
                "Cabling",
                "Power-up note",
                "Note",
              ].map((title) => (
                <span key={title}>{title}</span>
              ))}
            </div>
          )}
          <ul>
            {hosts.map((held) => (
              <HostRow
                key={held.part.id}
                held={held}
                flagged={findings.some((f) => f.about === held.part.id)}
              />
            ))}
          </ul>
        </div>
      </div>
    </>
  );
}

function HostRow({ held, flagged }: { held: HeldOf<Host>; flagged: boolean }) {
  const host = held.part.body;
  const id = held.part.id;
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target").filter((t) => t.part.body.host === host.address);
  const put = (field: string, update: (h: Host) => Host) =>
    of(field, change(`Change ${field.replace(/.*\//, "")} of ${host.name}`, "host", id, update));
  return (
    <li
      data-host={host.name}
      className={`rounded border px-1 py-1 ${flagged ? "border-caution" : "border-transparent"}`}
    >
      <div className={COLUMNS}>
        <EditField
          hideLabel
          long
          label="Name"
          value={host.name}
          onCommit={(name) => put("name", (h) => ({ ...h, name }))}
        />
        <EditField
          hideLabel
          label="Address"
          value={host.address}
          mono
          onCommit={(a) => of("address", changeRig({ what: "moveHost", host: id, address: a }))}
        />
        <NumberField
          hideLabel
          label="Prefix length"
          value={host.prefix}
          whole
          onCommit={(prefix) => put("prefix", (h) => ({ ...h, prefix }))}
        />
        <Select
          hideLabel
          label="Chosen by"
          value={host.addressing}
          onChange={(addressing) => void report(put("addressing", (h) => ({ ...h, addressing })))}
          options={[
            { value: "FIXED", text: "fixed" },
            { value: "GIVEN", text: "DHCP" },
          ]}
        />
        <Select
          hideLabel
          label="Type"
          value={host.role}
          onChange={(role) => void report(put("role", (h) => ({ ...h, role })))}
          options={ROLES}
        />
        <p className="text-quiet">{targets.map((t) => t.part.body.name).join(", ")}</p>
        <EditField
          hideLabel
          long
          label="Cabling"
          value={host.socket}
          onCommit={(socket) => put("socket", (h) => ({ ...h, socket }))}
        />
        <EditField
          hideLabel
          long
          label="Power-up note"
          value={host.power}
          onCommit={(power) => put("power", (h) => ({ ...h, power }))}
        />
        <EditField
          hideLabel
          long
          label="Note"
          value={host.note}
          onCommit={(note) => put("note", (h) => ({ ...h, note }))}
        />
        <button
          aria-label={`Remove ${host.name}`}
          className="rounded p-1.5 text-quiet hover:text-bone"
          onClick={() => void report(remove(`Remove ${host.name}`, id))}
        >
          <Trash2 size={18} aria-hidden />
        </button>
      </div>
      {host.role === "ROUTER" && (
        <div className="mt-1 flex items-center gap-2 pl-2 text-quiet">
          DHCP range
          <EditField
            hideLabel
            className="w-36"
            label="DHCP range, from (empty: none)"
            mono
            value={host.gives?.first ?? ""}
            onCommit={(first) =>
              put("gives/first", (h) => ({
                ...h,
                gives: first.trim() === "" ? null : { last: h.gives?.last ?? first, first },
              }))
            }
          />
          {host.gives && (
            <>
              to
              <EditField
                hideLabel
                className="w-36"
                label="DHCP range, to"
                mono
                value={host.gives.last}
                onCommit={(last) => put("gives/last", (h) => ({ ...h, gives: { ...h.gives!, last } }))}
              />
            </>
          )}
          (leave the first empty if it gives none)
        </div>
      )}
    </li>
  );
}
