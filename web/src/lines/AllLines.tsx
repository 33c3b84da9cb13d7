import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowDownUp, Download, Upload } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { linesAsCsv, linesOf, previewLines, takeLines } from "../requests/lines";
import type { Control, CueAction, Problem, TableLine } from "../api/types";
import { useLook } from "../requests/useLook";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { putListen, putSend } from "../layout/path/put";
import { TableImport } from "../layout/TableImport";
import { wayTo } from "../live/whereIs";
import { select } from "../layout/selection";
import { GATE_WORDS } from "../rig/gates";
import { PushButton } from "../ui/buttons";
import { change } from "../requests/edits";
import { of } from "../ui/fields";
import { EditField } from "../ui/EditField";
import { report } from "../ui/notices";
import { SearchField } from "../ui/SearchField";
import { Select } from "../ui/Select";
import { SEVERITIES } from "../findings/FindingLine";
import { useFound } from "../findings/findings";
import { isOpen, ofField } from "../findings/found";
import { mend } from "../requests/findings";
import { type Column, COLUMNS, filtered, type Row, sorted } from "./table";

const ROW = 52;

/** Every line of the show as a row: sorted, filtered, changed in place, given out and taken in as a table. */
export function AllLines() {
  const { found: lines, trouble } = useLook("lines", linesOf);
  const [words, setWords] = useState("");
  const [wrong, setWrong] = useState(false);
  const [order, setOrder] = useState<{ by: Column; down: boolean }>({ by: "page", down: false });
  const [taking, setTaking] = useState(false);
  const scroll = useRef<HTMLDivElement>(null);

  const byPart = useFound((s) => s.byPart);
  const all = useMemo<Row[]>(
    () =>
      (lines ?? []).map((line) => ({
        ...line,
        found: ofField(byPart.get(line.part) ?? [], line.field).filter(
          (each) => isOpen(each) && each.severity !== "NOTE",
        ),
      })),
    [lines, byPart],
  );
  const rows = useMemo(() => sorted(filtered(all, words, wrong), order), [all, words, wrong, order]);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer keeps its own state on purpose
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const faults = all.filter((line) => line.found.length > 0).length;

  return (
    <main className="flex min-h-0 min-w-0 flex-1 flex-col gap-2 p-4">
      <header className="flex flex-wrap items-center gap-3 max-sm:gap-2">
        <h1 className="text-xl font-bold">Lines</h1>
        <span className="text-quiet" role="status">
          {trouble || lines === null
            ? trouble || "Looking …"
            : `${rows.length} of ${lines.length}, ${faults} with a finding`}
        </span>
        <SearchField
          label="Filter the lines"
          hint="Filter"
          className="ml-4 w-64 max-xl:ml-0 max-xl:w-40"
          value={words}
          onChange={setWords}
        />
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={wrong} onChange={(e) => setWrong(e.target.checked)} />
          only with a finding
        </label>
        <span className="ml-auto flex flex-wrap gap-2">
          <a className="contents" href={linesAsCsv()} download="lines.csv">
            <PushButton tabIndex={-1}>
              <Download size={16} aria-hidden /> As CSV
            </PushButton>
          </a>
          <PushButton onClick={() => setTaking(true)}>
            <Upload size={16} aria-hidden /> Paste or import …
          </PushButton>
          <Link to="/layout">
            <PushButton tabIndex={-1}>Back to the pages</PushButton>
          </Link>
        </span>
      </header>
      {lines?.length === 0 && (
        <p className="text-lg text-quiet">
          No line yet. Place phrases on a page in Layout, or add a send to a control: each is a row here.
        </p>
      )}
      <div
        role="table"
        aria-label="Lines"
        aria-rowcount={rows.length}
        className="flex min-h-0 flex-1 flex-col overflow-x-auto rounded border border-rule *:min-w-[58rem]"
      >
        <div role="row" className={`${GRID} border-b border-rule bg-panel`}>
          {COLUMNS.map(({ column, title }) => (
            <div
              role="columnheader"
              key={column}
              aria-sort={order.by === column ? (order.down ? "descending" : "ascending") : "none"}
            >
              <button
                className="flex w-full items-center gap-1 px-2 py-1 text-left text-sm text-quiet"
                onClick={() => setOrder({ by: column, down: order.by === column && !order.down })}
              >
                {title} {order.by === column && <ArrowDownUp size={14} aria-hidden />}
              </button>
            </div>
          ))}
        </div>
        <div ref={scroll} className="min-h-0 flex-1 overflow-auto">
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => (
              <div
                key={rows[item.index]!.id}
                className="absolute inset-x-0"
                style={{ transform: `translateY(${item.start}px)`, height: ROW }}
              >
                <LineRow line={rows[item.index]!} />
              </div>
            ))}
          </div>
        </div>
      </div>
      {taking && (
        <TableImport
          title="Import lines"
          hint="A row is known by its “line”; its label, time, target, address and range count."
          preview={previewLines}
          take={takeLines}
          onClose={() => setTaking(false)}
        />
      )}
    </main>
  );
}

const GRID = "grid grid-cols-[7rem_8rem_7rem_8rem_minmax(12rem,1fr)_4rem_6rem_minmax(10rem,1fr)]";
const NOBODY = "nobody";

function LineRow({ line }: { line: Row }) {
  const parts = useShow((s) => s.parts);
  const gate = useShow((s) => (line.target ? s.links.get(line.target)?.gate : undefined));
  const held = partOf(parts, "control", line.part);
  const kind = parts.get(line.part)?.part.body.kind;
  if (!held && kind !== "cue" && kind !== "song") return null;
  const targets = partsOf(parts, "target");
  const put = held ? putLine(held, line) : putAction(line, kind === "song" ? "song" : "cue");
  const finding = line.found[0];
  const Sign = finding && SEVERITIES[finding.severity].Icon;
  const called = `${line.label || "the control"}, ${line.kind === "SEND" ? "send" : "listen"} ${line.number}`;
  return (
    <div role="row" data-line={line.id} className={`${GRID} h-full items-center border-b border-rule`}>
      <div role="cell" className="truncate px-2" title={line.page}>
        {line.page}
      </div>
      <div role="cell" className="min-w-0 px-2">
        <Link
          className="block truncate underline"
          to={wayTo(line.part, parts) ?? "/lines"}
          onClick={() => held && select(line.part)}
        >
          {line.label}
        </Link>
      </div>
      <div role="cell" className="px-2 text-sm">
        <span className={line.kind === "SEND" ? "text-out" : "text-in"}>
          {line.kind === "SEND" ? "out" : "in"}
        </span>{" "}
        {line.on}
      </div>
      <div role="cell" className="px-1">
        <Select
          hideLabel
          label={`Target of ${called}`}
          value={line.target && parts.has(line.target) ? line.target : NOBODY}
          onChange={(to) => void report(put("target", { target: to === NOBODY ? null : to }))}
          options={[
            ...targets.map((t) => ({ value: t.part.id, text: t.part.body.name })),
            { value: NOBODY, text: "nobody" },
          ]}
        />
      </div>
      <div role="cell" className="px-1">
        <EditField
          hideLabel
          mono
          long
          className="max-h-12 overflow-auto text-sm"
          label={`Address of ${called}`}
          value={line.address}
          onCommit={(address) => put("address", { address })}
        />
      </div>
      <div role="cell" className="px-2 font-mono text-sm">
        {line.types}
      </div>
      <div role="cell" className="px-2 font-mono text-sm">
        {line.low === null ? "" : `${line.low} … ${line.high}`}
        {line.shaping.includes("|") && <span className="block text-quiet">{line.shaping}</span>}
      </div>
      <div role="cell" className="flex min-w-0 items-center gap-2 px-2 text-sm">
        {gate && gate !== "OPEN" && line.kind === "SEND" && (
          <span className="flex-none rounded border border-caution px-1 text-caution">
            {GATE_WORDS[gate].word}
          </span>
        )}
        {finding && Sign && (
          <>
            <Sign size={16} className={`flex-none ${SEVERITIES[finding.severity].text}`} aria-hidden />
            <span className="line-clamp-2" title={line.found.map((f) => f.text).join("; ")}>
              {finding.text}
            </span>
            {finding.remedy && (
              <PushButton
                className="px-2! py-0!"
                title={finding.remedy}
                onClick={() => void report(mend([finding]))}
              >
                {finding.field.endsWith("/address") ? "Use it" : finding.remedy}
              </PushButton>
            )}
          </>
        )}
      </div>
    </div>
  );
}

interface LineChange {
  address?: string;
  target?: string | null;
}

/** Changes a field of a line at the action of its cue or song. */
function putAction(line: TableLine, kind: "cue" | "song") {
  const [list, at] = line.field.split("/");
  const changed = (actions: CueAction[], to: LineChange) =>
    actions.map((action, i) => (i === Number(at) ? ({ ...action, ...to } as CueAction) : action));
  return (field: string, to: LineChange): Promise<Problem[]> =>
    of(
      `${line.field}/${field}`,
      kind === "cue"
        ? change(`Change ${line.label}`, "cue", line.part, (cue) => ({
            ...cue,
            actions: changed(cue.actions, to),
          }))
        : change(`Change ${line.label}`, "song", line.part, (song) =>
            list === "ready"
              ? { ...song, ready: changed(song.ready, to) }
              : { ...song, onAir: changed(song.onAir, to) },
          ),
    );
}

/** Changes a field of a line at its control. */
function putLine(held: HeldOf<Control>, line: TableLine) {
  const send = putSend(held, line.number - 1);
  const listen = putListen(held, line.number - 1);
  return (field: string, change: LineChange): Promise<Problem[]> =>
    line.kind === "SEND" ? send(field, () => change) : listen(field, () => change);
}
