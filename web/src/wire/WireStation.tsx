import { Eraser, Pause, Play, Rows3 } from "lucide-react";
import { useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { WireRow } from "../api/types";
import { useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { ByAddress } from "./ByAddress";
import { CapturesPage } from "./CapturesPage";
import { useCompose } from "./compose";
import { Filters, Muted } from "./Filters";
import { List } from "./List";
import { Packet } from "./Packet";
import { PlotView } from "./PlotView";
import { Repeats } from "./Repeats";
import { SendView } from "./SendView";
import { StartView } from "./StartView";
import { useRows } from "./useRows";
import { look, NO_QUERY, useView } from "./view";

const VIEWS = [
  { id: "", text: "List" },
  { id: "addresses", text: "By address" },
  { id: "plot", text: "Plot" },
  { id: "send", text: "Send" },
  { id: "captures", text: "Captures" },
  { id: "start", text: "Start log" },
] as const;

/** Everything that went out and came in: as a list, by its address, and as curves. */
export function WireStation() {
  const { view = "" } = useParams();
  const navigate = useNavigate();
  const setView = (id: string) => void navigate(`/wire/${id}`);
  const [opened, setOpened] = useState<number | null>(null);
  const missed = useShow((s) => s.missed);
  return (
    <main className="flex min-w-0 flex-1 flex-col p-4">
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <h1 className="text-2xl font-bold">Wire</h1>
        <div role="tablist" aria-label="View" className="mr-auto flex flex-wrap gap-1">
          {VIEWS.map(({ id, text }) => (
            <button
              key={id}
              role="tab"
              aria-selected={view === id}
              className={`rounded px-3 py-1.5 text-lg font-bold ${view === id ? "bg-raised" : "text-quiet"}`}
              onClick={() => setView(id)}
            >
              {text}
            </button>
          ))}
        </div>
      </div>
      {missed > 0 && (
        <p role="status" className="mb-2 rounded border border-caution px-3 py-1 text-caution">
          {missed} packets came faster than they could be handled here and are missing below. Ask the target
          that speaks most to report less often.
        </p>
      )}
      {view === "" && <ListView onOpen={(row) => setOpened(row.number)} />}
      {view === "addresses" && <ByAddress />}
      {view === "plot" && <PlotView />}
      {view === "captures" && <CapturesPage />}
      {view === "start" && <StartView />}
      {view === "send" && <SendView onOpen={(row) => setOpened(row.number)} />}
      {opened !== null && (
        <Packet
          number={opened}
          onOpen={setOpened}
          onClose={() => setOpened(null)}
          onSendAgain={(target, line) => {
            useCompose.setState({ target, line });
            setOpened(null);
            setView("send");
          }}
        />
      )}
    </main>
  );
}

function ListView({ onOpen }: { onOpen: (row: WireRow) => void }) {
  const { query, clearedTo } = useView();
  const live = useShow((s) => s.live);
  /** The newest packet on the screen when it was paused; collecting goes on behind it. */
  const [paused, setPaused] = useState<number | null>(null);
  const looked = useRows(query, paused);
  const rows = useMemo(() => looked.rows.filter((row) => row.number > clearedTo), [looked.rows, clearedTo]);
  const repeating = looked.repeating.filter(({ last }) => last.number > clearedTo);
  const clear = () =>
    useView.setState({
      clearedTo: Math.max(
        looked.rows.at(-1)?.number ?? 0,
        ...looked.repeating.map(({ last }) => last.number),
      ),
      clearedAt: Date.now(),
    });
  const filtered = JSON.stringify({ ...query, repeats: false }) !== JSON.stringify(NO_QUERY);
  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <Filters problem={looked.problem} list />
        <span className="mr-auto" />
        {query.repeats && (
          <PushButton onClick={() => look({ repeats: false })}>
            <Rows3 size={16} aria-hidden /> Fold repeats
          </PushButton>
        )}
        <PushButton
          aria-pressed={paused !== null}
          onClick={() => setPaused(paused === null ? (looked.rows.at(-1)?.number ?? 0) : null)}
        >
          {paused === null ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
          {paused === null ? "Pause" : `Resume (${looked.waiting} new)`}
        </PushButton>
        <PushButton onClick={clear}>
          <Eraser size={16} aria-hidden /> Clear
        </PushButton>
      </div>
      {(looked.problem || looked.trouble) && (
        <p role="alert" className="mb-2 text-fault">
          {looked.problem || looked.trouble}
        </p>
      )}
      <Muted />
      <Repeats repeating={repeating} onOpen={onOpen} />
      <List
        rows={rows}
        older={looked.older && clearedTo < (looked.rows[0]?.number ?? 0)}
        empty={
          !live
            ? "This show is not live: nothing is sent, and nothing comes. Make it live under Shows."
            : !looked.asked
              ? "Looking …"
              : filtered
                ? "Nothing passes the filter."
                : repeating.length > 0
                  ? "Nothing but what repeats. Touch a control in Run, or move something at the far end, and it appears here."
                  : "Nothing yet. Touch a control in Run, or test a send in Layout, and it appears here with its answer."
        }
        onOlder={looked.showOlder}
        onOpen={onOpen}
      />
    </>
  );
}
