import { Send as SendIcon } from "lucide-react";
import type { Send, Trace } from "../../api/types";
import { NotLeaving } from "../../rig/NotLeaving";
import { command } from "../../live/connection";
import { afterEdits } from "../../requests/edits";
import { PushButton } from "../../ui/buttons";
import { clockTime } from "../../ui/time";

interface Props {
  id: string;
  send: Send | undefined;
  index: number;
  trace: Trace | undefined;
}

/** What left last, and the way to send once without leaving Build. */
export function WireCell({ id, send, index, trace }: Props) {
  return (
    <div className="flex flex-col gap-2">
      <PushButton
        strong
        className="px-2! py-1! leading-tight"
        disabled={!send}
        onClick={() => void afterEdits().then(() => command({ kind: "fire", control: id, send: index }))}
      >
        <SendIcon size={16} className="flex-none max-xl:hidden" aria-hidden /> Send once
      </PushButton>
      <NotLeaving target={send?.target ?? null} />
      {trace?.message && (
        <p className="font-mono text-sm max-xl:text-xs break-all text-out">
          {trace.message.address} {trace.message.typeTags} {trace.message.arguments}
        </p>
      )}
      {trace?.message?.means && <p className="text-sm leading-tight">{trace.message.means}</p>}
      {trace?.message?.reads && (
        <p
          className="font-mono text-sm max-xl:text-xs text-in"
          title="What its phrasebook says the target makes of it"
        >
          {trace.message.target} reads {trace.message.reads}
        </p>
      )}
      {trace?.wire ? (
        <p className="font-mono text-sm max-xl:text-xs text-quiet [overflow-wrap:anywhere]">
          {clockTime(trace.wire.at / 1e6)}
          <br />
          {trace.wire.route}
          <br />
          {trace.wire.bytes} bytes
        </p>
      ) : (
        <p className="text-sm text-quiet">Nothing has left yet.</p>
      )}
    </div>
  );
}
