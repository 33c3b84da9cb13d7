import { Copy, Download, FolderOpen, Plus, Radio, RotateCcw, Trash2, Upload } from "lucide-react";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  bringBackShow,
  createShow,
  deleteShow,
  duplicateShow,
  fileOf,
  listShows,
  previewFile,
  renameShow,
} from "../requests/shows";
import { newWork } from "../api/work";
import type { ShowDone, ShowInfo } from "../api/types";
import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { notify, report } from "../ui/notices";
import { dayAndTime } from "../ui/time";
import { GoLive } from "./GoLive";
import { type FileInHand, ImportDialog } from "./ImportDialog";
import { textOf } from "../ui/file";
import { Working } from "../ui/Working";
import { whileHere } from "../ui/whileHere";

/** All shows: exactly one is live and owns the sockets; the others can be opened and edited meanwhile. */
export function ShowsStation() {
  const [shows, setShows] = useState<ShowInfo[]>([]);
  const [file, setFile] = useState<FileInHand | null>(null);
  const [reading, setReading] = useState<string | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const openId = useShow((s) => s.showId);
  const version = useShow((s) => s.version);
  const refresh = useCallback(() => {
    listShows()
      .then(setShows)
      .catch(() => setShows([]));
  }, []);
  // the list says how many edits a show has, so it is read again with each of them
  useEffect(refresh, [refresh, version]);

  const act = async (work: Promise<ShowDone>): Promise<ShowDone> => {
    const done = await work;
    await report(Promise.resolve(done.problems));
    refresh();
    return done;
  };
  const here = shows.filter((s) => !s.deletedAt);
  const deleted = shows.filter((s) => s.deletedAt);
  const live = here.find((s) => s.live);

  const add = () => {
    const names = new Set(here.map((s) => s.name));
    let number = here.length + 1;
    while (names.has(`Show ${number}`)) number++;
    // an empty show opens when it is made: the next step is there
    void whileHere(
      act(createShow(`Show ${number}`)),
      ({ show }) => show && location.assign(`/?show=${show}#/rig`),
    );
  };

  const choose = async (chosen: File) => {
    const text = await textOf(chosen);
    if (!text) return;
    const work = newWork();
    setReading(work);
    try {
      setFile({ text, preview: await previewFile(text, work) });
    } catch (e) {
      notify((e as Error).message);
    } finally {
      setReading(null);
    }
  };

  return (
    <main className="relative mx-auto w-full max-w-5xl overflow-auto p-5">
      <div className="mb-4 flex items-center gap-3">
        <h1 className="mr-auto text-2xl font-bold">Shows</h1>
        <input
          ref={picker}
          type="file"
          accept=".json,application/json"
          className="hidden"
          aria-label="Show file"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            e.target.value = "";
            if (chosen) void choose(chosen);
          }}
        />
        <PushButton onClick={() => picker.current?.click()}>
          <Upload size={18} aria-hidden /> Import a file
        </PushButton>
        <PushButton onClick={add}>
          <Plus size={18} aria-hidden /> New show
        </PushButton>
      </div>
      {reading && <Working what="Reading the file" work={reading} />}
      <ul className="flex flex-col gap-3">
        {here.map((show) => (
          <li
            key={show.id}
            data-show={show.name}
            className="flex flex-wrap items-center gap-3 rounded-lg bg-panel p-4"
          >
            <EditField
              label="Show name"
              hideLabel
              className="min-w-60 flex-1"
              value={show.name}
              onCommit={async (name) => (await act(renameShow(show.id, name))).problems}
            />
            <span className="w-44 text-sm text-quiet">
              {show.live ? (
                <strong className="flex items-center gap-1 text-in">
                  <Radio size={16} aria-hidden /> live
                </strong>
              ) : (
                <span className="block">not live</span>
              )}
              {show.version === 1 ? "1 edit" : `${show.version} edits`}, {dayAndTime(show.changedAt)}
            </span>
            {show.id === openId ? (
              <span className="px-3 font-bold text-select">open here</span>
            ) : (
              <PushButton onClick={() => location.assign(`/?show=${show.id}#/layout`)}>
                <FolderOpen size={16} aria-hidden /> Open
              </PushButton>
            )}
            {!show.live && (
              <GoLive show={show.id} name={show.name} live={live?.name}>
                <PushButton>
                  <Radio size={16} aria-hidden /> Go live
                </PushButton>
              </GoLive>
            )}
            <PushButton onClick={() => void act(duplicateShow(show.id))}>
              <Copy size={16} aria-hidden /> Duplicate
            </PushButton>
            <a
              href={fileOf(show.id)}
              download
              className="inline-flex items-center gap-2 rounded border border-rule bg-raised px-3 py-1.5"
            >
              <Download size={16} aria-hidden /> Export
            </a>
            <PushButton
              aria-label={`Delete ${show.name}`}
              disabled={show.live}
              onClick={() => void act(deleteShow(show.id))}
            >
              <Trash2 size={16} aria-hidden />
            </PushButton>
          </li>
        ))}
      </ul>
      {deleted.length > 0 && (
        <section aria-label="Deleted shows" className="mt-6">
          <h2 className="mb-2 font-bold text-quiet">Deleted; each can be brought back for 30 days</h2>
          <ul className="flex flex-col gap-2">
            {deleted.map((show) => (
              <li
                key={show.id}
                data-deleted={show.name}
                className="flex items-center gap-3 rounded bg-panel px-4 py-2 text-quiet"
              >
                <span className="flex-1">{show.name}</span>
                <PushButton onClick={() => void act(bringBackShow(show.id))}>
                  <RotateCcw size={16} aria-hidden /> Bring back
                </PushButton>
              </li>
            ))}
          </ul>
        </section>
      )}
      {file && (
        <ImportDialog
          file={file}
          onClose={() => {
            setFile(null);
            refresh();
          }}
        />
      )}
    </main>
  );
}
