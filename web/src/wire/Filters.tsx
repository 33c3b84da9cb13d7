import { X } from "lucide-react";
import type { WireQuery } from "../api/types";
import { partOf, partsOf, useShow } from "../live/show";
import { Select } from "../ui/Select";
import { ANYONE, look, STRANGERS, unmute, useView } from "./view";

/** Radix has no option without a value. */
const ALL = "all";

const TYPES = [
  { value: ALL, text: "any" },
  { value: "fd", text: "float" },
  { value: "ih", text: "int" },
  { value: "sS", text: "string" },
  { value: "TF", text: "true/false" },
  { value: "b", text: "blob" },
];

/** What is looked for; the list of addresses knows no types and no answers. */
export function Filters({ problem, list }: { problem: string; list: boolean }) {
  const query = useView((s) => s.query);
  const parts = useShow((s) => s.parts);
  return (
    <>
      <Select
        label="Target"
        className="w-36"
        value={query.source || ALL}
        onChange={(source) => look({ source: source === ALL ? ANYONE : source })}
        options={[
          { value: ALL, text: "all" },
          ...partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name })),
          { value: STRANGERS, text: "unknown sender" },
        ]}
      />
      <Select<WireQuery["way"]>
        label="Direction"
        className="w-24"
        value={query.way}
        onChange={(way) => look({ way })}
        options={[
          { value: "BOTH", text: "both" },
          { value: "OUT", text: "out" },
          { value: "IN", text: "in" },
        ]}
      />
      {list && (
        <>
          <Select
            label="Type"
            className="w-28"
            value={query.types || ALL}
            onChange={(types) => look({ types: types === ALL ? "" : types })}
            options={TYPES}
          />
          <Select<WireQuery["only"]>
            label="Only"
            className="w-36"
            value={query.only}
            onChange={(only) => look({ only })}
            options={[
              { value: "ALL", text: "everything" },
              { value: "PROBLEMS", text: "problems" },
              { value: "UNANSWERED", text: "unanswered" },
            ]}
          />
        </>
      )}
      <label className="relative text-sm text-quiet">
        Address or text
        <input
          className={`block w-52 rounded border bg-ground px-2 py-1 font-mono text-base leading-tight text-bone ${problem ? "border-fault" : "border-rule"}`}
          value={query.text}
          placeholder="/*/in/{1,2}/*"
          title="A piece of text, or an address pattern: ? one character, * any, [a-z] one of these, {a,b} one of these texts, // any parts"
          spellCheck={false}
          aria-invalid={problem !== ""}
          onChange={(e) => look({ text: e.target.value })}
        />
      </label>
    </>
  );
}

/** What is left out, each with the way back. */
export function Muted() {
  const muted = useView((s) => s.query.muted);
  const parts = useShow((s) => s.parts);
  if (muted.length === 0) return null;
  return (
    <p role="status" className="mb-2 flex flex-wrap items-center gap-2 text-quiet">
      Muted here:
      {muted.map(({ source, address }) => {
        const name = `${partOf(parts, "target", source)?.part.body.name ?? source} ${address || "(all)"}`;
        return (
          <button
            key={`${source} ${address}`}
            type="button"
            className="flex items-center gap-1 rounded border border-rule px-2 py-0.5 font-mono text-sm hover:border-bone"
            aria-label={`Show ${name} again`}
            onClick={() => unmute(source, address)}
          >
            {name} <X size={14} aria-hidden />
          </button>
        );
      })}
    </p>
  );
}
