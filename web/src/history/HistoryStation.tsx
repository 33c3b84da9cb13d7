import { Bookmark, Redo2, RotateCcw, Undo2 } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import { bringBack, takeBack } from "../frame/takeBack";
import { keepVersion, listEdits, listKeepPoints, restoreVersion } from "../requests/shows";
import type { EditLine, KeepPoint } from "../api/types";
import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { report } from "../ui/notices";
import { dayAndTime } from "../ui/time";

/** Every edit in words, with who and when; versions with names; and the way back. */
export function HistoryStation() {
  const version = useShow((s) => s.version);
  const [edits, setEdits] = useState<EditLine[]>([]);
  const [points, setPoints] = useState<KeepPoint[]>([]);
  const [name, setName] = useState("");
  const refresh = useCallback(() => {
    listEdits()
      .then(setEdits)
      .catch(() => setEdits([]));
    listKeepPoints()
      .then(setPoints)
      .catch(() => setPoints([]));
  }, []);
  useEffect(refresh, [refresh, version]);

  const older = async () => {
    const last = edits.at(-1);
    if (last) setEdits([...edits, ...(await listEdits(last.number))]);
  };
  const keep = async () => {
    const problems = await report(keepVersion(name));
    if (problems.length === 0) setName("");
    refresh();
  };

  return (
    <main className="relative mx-auto grid w-full max-w-6xl grid-cols-[3fr_2fr] gap-6 overflow-auto p-5">
      <section aria-label="Edits">
        <div className="mb-3 flex items-center gap-2">
          <h1 className="mr-auto text-2xl font-bold">History</h1>
          <PushButton onClick={() => void takeBack()}>
            <Undo2 size={16} aria-hidden /> Undo mine
          </PushButton>
          <PushButton onClick={() => void bringBack()}>
            <Redo2 size={16} aria-hidden /> Redo mine
          </PushButton>
        </div>
        {edits.length === 0 ? (
          <p className="rounded bg-panel p-6 text-lg text-quiet">
            No edits yet. What you change in Rig and Layout is listed here.
          </p>
        ) : (
          <ol className="flex flex-col">
            {edits.map((line) => (
              <li
                key={line.number}
                data-edit={line.number}
                className="flex items-center gap-3 border-b border-raised py-1.5"
              >
                <span className="w-12 text-right font-mono text-quiet">{line.number}</span>
                <span className="flex-1">{line.title}</span>
                <span className="text-quiet">
                  {line.author}, {dayAndTime(line.at)}
                </span>
                {line.number !== version && <Restore version={line.number} what={`after “${line.title}”`} />}
              </li>
            ))}
          </ol>
        )}
        {edits.length > 0 && edits.at(-1)!.number > 1 && (
          <PushButton className="mt-3" onClick={() => void older()}>
            Older edits
          </PushButton>
        )}
      </section>
      <section aria-label="Saved versions">
        <h2 className="mb-3 text-2xl font-bold">Saved versions</h2>
        <form
          className="mb-3 flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <input
            aria-label="Name of the version"
            placeholder="such as: before the first rehearsal"
            className="min-w-0 flex-1 rounded border border-rule bg-ground px-2 py-1"
            value={name}
            maxLength={200}
            onChange={(e) => setName(e.target.value)}
          />
          <PushButton type="submit">
            <Bookmark size={16} aria-hidden /> Save this version
          </PushButton>
        </form>
        {points.length === 0 ? (
          <p className="rounded bg-panel p-4 text-quiet">
            None yet. Give this version a name before you change much: you can come back to it.
          </p>
        ) : (
          <ul className="flex flex-col gap-2">
            {points.map((point) => (
              <li
                key={point.id}
                data-keep-point={point.name}
                className="flex items-center gap-3 rounded bg-panel px-3 py-2"
              >
                <span className="flex-1">
                  <strong className="block">{point.name}</strong>
                  <span className="text-sm text-quiet">
                    version {point.version}, {point.author}, {dayAndTime(point.at)}
                  </span>
                </span>
                <Restore version={point.version} what={`as “${point.name}”`} />
              </li>
            ))}
          </ul>
        )}
      </section>
    </main>
  );
}

function Restore({ version, what }: { version: number; what: string }) {
  return (
    <Confirm
      title="Go back to this version?"
      text={`The show becomes what it was ${what}. This is an edit like any other: it is in the history, and undo takes it back.`}
      action="Restore"
      onConfirm={() => void report(restoreVersion(version))}
    >
      <PushButton className="px-2! py-0.5!">
        <RotateCcw size={14} aria-hidden /> Restore
      </PushButton>
    </Confirm>
  );
}
