import { Trash2 } from "lucide-react";
import type { Control, Found, Held, Listen, Send, TableLine, Trace } from "../../api/types";
import { type HeldOf, partsOf, useShow } from "../../live/show";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { plain } from "../../controls/scale";
import { FORMS } from "./forms";
import { ListenRange } from "./ListenRange";
import { LineFindings } from "./LineFindings";
import { NumberedTabs } from "./NumberedTabs";
import { putControl, putListen } from "./put";

interface TabsProps {
  held: HeldOf<Control>;
  /** The send that is looked at. */
  sendIndex: number;
  index: number;
  choose: (index: number) => void;
}

/** The listens of a control, and one more: as the one that is looked at, or on what the send says. */
export function ListenTabs({ held, sendIndex, index, choose }: TabsProps) {
  const parts = useShow((s) => s.parts);
  const { listens } = held.part.body;
  const add = () =>
    // made of what is there when its turn comes: what was just typed of the send may still be on its way
    void report(
      putControl(held)("listens", (now) => {
        const like = now.listens[index];
        const fresh: Listen = like
          ? { ...like, role: "VALUE", axis: 0 }
          : freshListen(now.sends[sendIndex], parts);
        return { listens: [...now.listens, fresh] };
      }),
    ).then((problems) => problems.length === 0 && choose(listens.length));
  return <NumberedTabs name="Listen" count={listens.length} chosen={index} onChoose={choose} onAdd={add} />;
}

interface Props {
  held: HeldOf<Control>;
  /** The send that is looked at. */
  sendIndex: number;
  index: number;
  trace: Trace | undefined;
  /** What the checks say of the listen. */
  found: Found[];
  /** The listen as a line. */
  line: TableLine | undefined;
  /** Opens the steps of the listen. */
  open: () => void;
}

/** What an answer is to what was sent. */
const FITS: Record<NonNullable<Trace["answer"]>["fit"], { text: string; tone: string }> = {
  AGREES: { text: "agrees", tone: "text-in" },
  SAID_BEFORE: { text: "agrees, as it did before: this proves nothing", tone: "text-in" },
  ON_THE_WAY: { text: "on the way", tone: "text-in" },
  DIFFERS: { text: "differs", tone: "text-fault" },
};

const NOBODY = "nobody";

/** What came back, and where the control listens for it. */
export function AnswerCell({ held, sendIndex, index, trace, found, line, open }: Props) {
  const send = held.part.body.sends[sendIndex];
  const parts = useShow((s) => s.parts);
  const { listens, form } = held.part.body;
  const listen = listens[index];
  const put = putListen(held, index);
  const targets = partsOf(parts, "target");
  const setListens = (change: (before: Listen[]) => Listen[]) =>
    void report(putControl(held)("listens", (before) => ({ listens: change(before.listens) })));
  const { axes } = FORMS[form.kind];

  return (
    <div className="flex flex-col gap-1.5">
      {trace?.answer && (
        <p className={`font-mono text-sm [overflow-wrap:anywhere] ${FITS[trace.answer.fit].tone}`}>
          {trace.answer.address} {trace.answer.arguments}
          <br />
          after {(trace.answer.afterNanos / 1e6).toFixed(1)} ms, {FITS[trace.answer.fit].text}
        </p>
      )}
      {trace?.stopped?.arrivedAs && listen && trace.stopped.arrivedAs !== listen.address && (
        <PushButton
          className="self-start px-2! py-0! font-mono"
          onClick={() => void report(put("address", () => ({ address: trace.stopped!.arrivedAs! })))}
        >
          Listen on {trace.stopped.arrivedAs}
        </PushButton>
      )}
      {listen ? (
        <>
          <LineFindings found={found} />
          <div className="grid grid-cols-2 gap-1.5">
            <Select
              label="Listens to"
              value={listen.target && parts.has(listen.target) ? listen.target : NOBODY}
              onChange={(to) => void report(put("target", () => ({ target: to === NOBODY ? null : to })))}
              options={[
                ...targets.map((t) => ({ value: t.part.id, text: t.part.body.name })),
                { value: NOBODY, text: "nobody" },
              ]}
            />
            <Select
              label="Feedback"
              value={listen.role === "VALUE" ? String(listen.axis) : listen.role}
              onChange={(says) =>
                void report(
                  put("role", () =>
                    says === "LABEL" || says === "WORDS"
                      ? { role: says, axis: 0 }
                      : { role: "VALUE", axis: Number(says) },
                  ),
                )
              }
              options={[
                ...(axes ?? ["value"]).map((text, axis) => ({ value: String(axis), text })),
                { value: "WORDS", text: "value in words" },
                { value: "LABEL", text: "label" },
              ]}
            />
          </div>
          <div className="flex items-end gap-1">
            <EditField
              className="min-w-0 flex-1"
              label="On"
              long
              mono
              value={listen.address}
              onCommit={(address) => put("address", () => ({ address }))}
            />
            <button
              aria-label="Stop listening"
              title="Stop listening"
              className="flex-none py-1.5 text-quiet"
              onClick={() => setListens((before) => before.filter((_, i) => i !== index))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </div>
          <div className="grid grid-cols-3 gap-1.5">
            <NumberField
              label="Argument"
              whole
              value={listen.argument + 1}
              onCommit={(n) => put("argument", () => ({ argument: n - 1 }))}
            />
            {listen.role === "VALUE" && <ListenRange listen={listen} line={line} put={put} open={open} />}
          </div>
        </>
      ) : (
        <>
          <p className="text-sm text-quiet">It listens to nothing, so answers move nothing here.</p>
          <PushButton
            onClick={() =>
              void report(
                putControl(held)("listens", (now) => ({
                  listens: [freshListen(now.sends[sendIndex], parts)],
                })),
              )
            }
          >
            {send ? "Listen on the same address" : "Listen"}
          </PushButton>
        </>
      )}
    </div>
  );
}

const freshListen = (send: Send | undefined, parts: ReadonlyMap<string, Held>) =>
  send ? sameAs(send) : firstListen(parts);

/** A listen to start from, where there is no send to take it from. */
function firstListen(parts: ReadonlyMap<string, Held>): Listen {
  return {
    target: partsOf(parts, "target")[0]?.part.id ?? null,
    address: "/address",
    argument: 0,
    shaping: [plain(0, 1)],
    role: "VALUE",
    axis: 0,
  };
}

/** A listen for the answer that most targets give: the same address, the same argument, the way back of what is sent. */
function sameAs(send: Send): Listen {
  const argument = Math.max(
    0,
    send.arguments.findIndex((a) => a.from === "value"),
  );
  return {
    target: send.target,
    address: send.address,
    argument,
    shaping: send.arguments[argument]?.from === "value" ? null : [plain(0, 1)],
    role: "VALUE",
    axis: 0,
  };
}
