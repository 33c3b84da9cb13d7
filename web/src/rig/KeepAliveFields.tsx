import type { KeepAlive, Problem } from "../api/types";
import { EditField } from "../ui/EditField";
import { NumberField } from "../ui/fields";

interface Props {
  keep: KeepAlive | null;
  /** Puts another one in its place; the field is the one whose problems are shown here. */
  put: (field: string, update: (keep: KeepAlive | null) => KeepAlive | null) => Promise<Problem[]>;
}

/** The message that keeps a target talking to us; no address means that it needs none. */
export function KeepAliveFields({ keep, put }: Props) {
  return (
    <>
      <EditField
        label="Keep-alive message (empty: none)"
        className="col-span-2"
        mono
        value={keep?.address ?? ""}
        onCommit={(address) =>
          put("keepAlive/address", (k) =>
            address.trim() === "" ? null : { answer: null, everySeconds: 3, windowSeconds: 7, ...k, address },
          )
        }
      />
      {keep && (
        <>
          <EditField
            label="answered as (empty: the same address)"
            className="col-span-2"
            mono
            value={keep.answer ?? ""}
            onCommit={(answer) =>
              put("keepAlive/answer", (k) => k && { ...k, answer: answer.trim() === "" ? null : answer })
            }
          />
          <NumberField
            label="every, seconds"
            value={keep.everySeconds}
            onCommit={(everySeconds) => put("keepAlive/everySeconds", (k) => k && { ...k, everySeconds })}
          />
          <NumberField
            label="lost after silence of, seconds"
            value={keep.windowSeconds}
            onCommit={(windowSeconds) => put("keepAlive/everySeconds", (k) => k && { ...k, windowSeconds })}
          />
        </>
      )}
    </>
  );
}
