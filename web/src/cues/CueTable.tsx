import {
  ArrowBigRight,
  ArrowLeftRight,
  CopyPlus,
  Download,
  ListOrdered,
  Plus,
  Printer,
  Replace,
  SkipForward,
  Trash2,
  Upload,
  Zap,
} from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Cue, CueList } from "../api/types";
import { clock } from "../live/position";
import { type HeldOf, useShow } from "../live/show";
import { copyCue, cuesAsCsv, insertCue, previewCues, stepCues, takeCues } from "../requests/cues";
import { ReplaceDialog } from "../layout/ReplaceDialog";
import { SwapDialog } from "../layout/SwapDialog";
import { TableImport } from "../layout/TableImport";
import { remove } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { RenumberDialog } from "./RenumberDialog";
import { describeAction, describeFollow, resultOf } from "./describe";
import { latestOf, RESULTS } from "./results";

interface Props {
  list: HeldOf<CueList>;
  cues: HeldOf<Cue>[];
  editing: boolean;
  chosen: string | null;
  choose: (cue: string | null) => void;
}

/** Of the actions of a cue; on paper all of them. */
const SHOWN = 3;

/** The cues of a list in their order: which is next, which run, and what became of those that were fired. */
export function CueTable({ list, cues, editing, chosen, choose }: Props) {
  const parts = useShow((s) => s.parts);
  const told = useShow((s) => s.cues.get(list.part.id));
  const [open, setOpen] = useState<"renumber" | "replace" | "swap" | "import" | null>(null);
  const close = () => setOpen(null);
  const ids = useMemo(() => cues.map((cue) => cue.part.id), [cues]);
  const next = useRef<HTMLTableRowElement>(null);
  const at = told?.state.next;
  useEffect(() => {
    if (!editing) next.current?.scrollIntoView({ block: "nearest" });
  }, [at, editing]);

  const latest = latestOf(told?.state);
  const add = async () => {
    const id = crypto.randomUUID();
    const problems = await report(insertCue(list.part.id, chosen, id));
    if (problems.length === 0) choose(id);
  };
  return (
    <section aria-label={`Cues of ${list.part.body.name}`} className="flex min-h-0 min-w-0 flex-1 flex-col">
      {editing && (
        <div className="flex flex-wrap items-center gap-2 px-4 py-2 max-md:px-2 print:hidden">
          <PushButton strong onClick={() => void add()}>
            <Plus size={18} aria-hidden /> {chosen ? "Add cue behind it" : "Add cue"}
          </PushButton>
          <PushButton onClick={() => setOpen("renumber")} disabled={cues.length === 0}>
            <ListOrdered size={18} aria-hidden /> Renumber …
          </PushButton>
          <PushButton onClick={() => setOpen("replace")} disabled={cues.length === 0}>
            <Replace size={18} aria-hidden /> Find and replace …
          </PushButton>
          <PushButton onClick={() => setOpen("swap")} disabled={cues.length === 0}>
            <ArrowLeftRight size={18} aria-hidden /> Swap the target …
          </PushButton>
          {chosen && <PushButton onClick={() => choose(null)}>The list itself</PushButton>}
          <a
            className="ml-auto inline-flex items-center gap-2 rounded border border-rule bg-raised px-3 py-1.5"
            href={cuesAsCsv(list.part.id)}
            download
          >
            <Download size={18} aria-hidden /> CSV
          </a>
          <PushButton onClick={() => setOpen("import")}>
            <Upload size={18} aria-hidden /> Import
          </PushButton>
          <PushButton onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </PushButton>
          {open === "renumber" && <RenumberDialog list={list} cues={cues} onClose={close} />}
          {open === "replace" && <ReplaceDialog controls={ids} called="cues" onClose={close} />}
          {open === "swap" && <SwapDialog controls={ids} onClose={close} />}
          {open === "import" && (
            <TableImport
              title="Import cues"
              hint="A row is known by its “cue”, and one without is a new cue; its number, name, note, colour, time on the track and what follows count."
              preview={previewCues(list.part.id)}
              take={takeCues(list.part.id)}
              onClose={close}
            />
          )}
        </div>
      )}
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-4 max-md:px-1">
        <h2 className="hidden text-2xl font-bold print:block">{list.part.body.name}</h2>
        <table className="w-full border-collapse text-left">
          <thead className="sticky top-0 bg-ground text-sm text-quiet">
            <tr>
              <th className="w-10 py-1 font-normal" aria-label="Next" />
              <th className="w-24 py-1 font-normal">No.</th>
              <th className="py-1 font-normal">Cue</th>
              <th className="py-1 font-normal max-md:hidden">Does</th>
              <th className="w-28 py-1 font-normal">Last time</th>
              <th className="w-24 py-1 print:hidden" aria-label="Orders" />
            </tr>
          </thead>
          <tbody>
            {cues.map(({ part: { id, body } }) => {
              const isNext = id === at;
              const fired = latest.get(id);
              const result = fired && RESULTS[resultOf(fired)];
              const fell = fired?.actions.find((action) => action.why);
              return (
                <tr
                  key={id}
                  ref={isNext ? next : undefined}
                  data-cue={body.number}
                  data-next={isNext}
                  aria-selected={editing && id === chosen}
                  className={`scroll-mt-10 border-t border-rule align-top ${editing && id === chosen ? "bg-raised" : isNext && !editing ? "cue-next" : ""}`}
                  onClick={() => editing && choose(id)}
                >
                  <td className="py-2 pl-2">
                    {isNext && <ArrowBigRight size={24} className="text-select" aria-label="Next" />}
                  </td>
                  <td className="py-2 font-mono text-lg">
                    {body.number}
                    {body.at !== null && list.part.body.track && (
                      <span className="block text-sm text-quiet" data-at>
                        {clock(body.at)}
                      </span>
                    )}
                  </td>
                  <td className="py-2 pr-3">
                    <span className="flex items-baseline gap-2">
                      {body.mark.shade !== "NONE" && (
                        <span className="cue-mark" data-shade={body.mark.shade}>
                          {body.mark.word}
                        </span>
                      )}
                      {editing ? (
                        <button
                          className="text-left text-lg font-bold"
                          onClick={() => choose(id)}
                          aria-label={`Edit cue ${body.number}`}
                        >
                          {body.name || "—"}
                        </button>
                      ) : (
                        <span className="text-lg font-bold">{body.name || "—"}</span>
                      )}
                    </span>
                    {body.note && <span className="block text-sm text-quiet">{body.note}</span>}
                  </td>
                  <td className="py-2 pr-3 text-sm max-md:hidden">
                    {body.actions.length === 0 && <span className="text-quiet">does nothing</span>}
                    {body.actions.map((action, i) => (
                      <span key={i} className={i < SHOWN ? "block" : "hidden print:block"}>
                        {action.delay > 0 && <span className="text-quiet">{action.delay} s later </span>}
                        {describeAction(parts, action)}
                      </span>
                    ))}
                    {body.actions.length > SHOWN && (
                      <span className="text-quiet print:hidden">and {body.actions.length - SHOWN} more</span>
                    )}
                    <span className="block text-caution">{describeFollow(body.follow)}</span>
                  </td>
                  <td className="py-2 text-sm">
                    {result && <span className={result.look}>{result.text}</span>}
                    {fell?.why && <span className="block text-quiet">{fell.why}</span>}
                  </td>
                  <td className="py-1.5 whitespace-nowrap text-right print:hidden">
                    {editing ? (
                      <>
                        <RowButton
                          label={`Copy cue ${body.number} with the next numbers`}
                          Icon={CopyPlus}
                          act={() => void report(copyCue(id, crypto.randomUUID()))}
                        />
                        <RowButton
                          label={`Remove cue ${body.number}`}
                          Icon={Trash2}
                          act={() => void report(remove(`Remove cue ${body.number}`, id))}
                        />
                      </>
                    ) : (
                      <>
                        <RowButton
                          label={`Make cue ${body.number} the next`}
                          Icon={SkipForward}
                          act={() => stepCues(list.part.id, "JUMP", id)}
                        />
                        <RowButton
                          label={`Fire cue ${body.number} and stay`}
                          Icon={Zap}
                          act={() => stepCues(list.part.id, "FIRE", id)}
                        />
                      </>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {cues.length === 0 && (
          <p className="p-4 text-lg text-quiet">
            No cue yet. {editing ? "Add one: the first is a cue 0 that does nothing." : "Add cues in Edit."}
          </p>
        )}
      </div>
    </section>
  );
}

function RowButton({ label, Icon, act }: { label: string; Icon: typeof Zap; act: () => void }) {
  return (
    <button
      aria-label={label}
      title={label}
      className="inline-flex min-h-11 min-w-11 items-center justify-center text-quiet"
      onClick={(e) => {
        e.stopPropagation();
        act();
      }}
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}
