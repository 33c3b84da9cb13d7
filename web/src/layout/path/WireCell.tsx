import { Send as SendIcon } from "lucide-react";
import type { Send, Trace } from "../../api/types";
import { send as sendFrame } from "../../live/connection";
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
        disabled={!send}
        onClick={() => sendFrame({ kind: "fire", control: id, send: index })}
      >
        <SendIcon size={16} aria-hidden /> Send once
      </PushButton>
      {trace?.message && (
        <p className="font-mono text-sm break-all text-out">
          {trace.message.address} {trace.message.typeTags} {trace.message.arguments}
        </p>
      )}
      {trace?.wire ? (
        <p className="font-mono text-sm text-quiet">
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
