import { ChevronRight } from "lucide-react";
import { type ReactNode, useCallback, useEffect, useRef, useState, useSyncExternalStore } from "react";
import type { Control, Found, TableLine, Trace, Tray } from "../../api/types";
import { TrayPath } from "../TrayPath";
import { controlAt, type Laid } from "../../live/laid";
import { watch } from "../../live/connection";
import { type HeldOf, useShow } from "../../live/show";
import { traces } from "../../live/values";
import { askWhy } from "../../live/why";
import { Several } from "../Several";
import { type Shaped, ShapingRow } from "../shaping/ShapingRow";
import { useFindingsOf } from "../../findings/findings";
import { ofLine, ofNoLine } from "../../findings/found";
import { AnswerCell, ListenTabs } from "./AnswerCell";
import { changed } from "./arguments";
import { LineFindings } from "./LineFindings";
import { MessageCell, SendTabs } from "./MessageCell";
import { PathFrame } from "./PathFrame";
import { putListen, putSend } from "./put";
import { ShapingCell } from "./ShapingCell";
import { TouchCell } from "./TouchCell";
import { WireCell } from "./WireCell";

interface StripProps {
  held: Laid | undefined;
  selected: number;
  /** Those of the page. */
  lines: TableLine[];
  /** Whether the page is played meanwhile: then nothing is removed here. */
  playing?: boolean;
}

/** The way of one touch, left to right: what a finger does, what is made of it, what leaves, what comes back. */
export function PathStrip(props: StripProps) {
  return (
    <PathFrame open={props.selected > 0}>
      <Strip {...props} />
    </PathFrame>
  );
}

function Strip({ held, selected, lines, playing }: StripProps) {
  const parts = useShow((s) => s.parts);
  const body = held?.part.body;
  const control = held && controlAt(parts, held);
  if (!control) {
    return (
      <section
        aria-label="Path"
        className={`h-full overflow-auto px-4 ${selected > 0 ? "py-3" : "flex items-center leading-tight"}`}
      >
        {selected > 1 ? (
          <Several />
        ) : held && body?.kind === "tray" ? (
          <TrayPath key={held.part.id} held={held as HeldOf<Tray>} />
        ) : (
          <span className="text-quiet">
            {body?.kind === "twin"
              ? "The control that was shown here is gone. Remove this place, or take the removal back."
              : "Select a control to see its path. Selecting sends nothing."}
          </span>
        )}
      </section>
    );
  }
  return <Path key={held.part.id} held={control} place={held} lines={lines} playing={playing} />;
}

/** @param place where it was selected: its own, or one where it is shown again */
function Path({
  held,
  place,
  lines,
  playing,
}: {
  held: HeldOf<Control>;
  place: Laid;
  lines: TableLine[];
  playing?: boolean;
}) {
  const { id, body } = held.part;
  const [chosenSend, setChosenSend] = useState(0);
  const [chosenListen, setChosenListen] = useState(0);
  const [open, setOpen] = useState<Opened | null>(null);
  const index = Math.max(0, Math.min(chosenSend, body.sends.length - 1));
  const listenIndex = Math.max(0, Math.min(chosenListen, body.listens.length - 1));
  const send = body.sends[index];
  const line = (kind: TableLine["kind"], at: number) =>
    lines.find((each) => each.part === id && each.kind === kind && each.number === at + 1);
  const found = useFindingsOf(id);
  const trace = useSyncExternalStore(
    (listener) => traces.subscribe(id, listener),
    () => traces.get(id),
  );

  useEffect(() => {
    watch({ traces: [id] });
    return () => watch({ traces: [] });
  }, [id]);

  // a send that was just added is drawn with one of the next frames: its address is what is written next
  const addressWanted = useRef<number | null>(null);
  const focusedThen = useRef<Element | null>(null);
  const goToAddress = useCallback(() => {
    const address = document.querySelector<HTMLTextAreaElement>(
      `[data-path] [data-address="${addressWanted.current}"] textarea`,
    );
    if (!address) return;
    addressWanted.current = null;
    // a hand that has gone on to something else meanwhile stays there
    const now = document.activeElement;
    if (now !== focusedThen.current && now !== document.body) return;
    address.focus();
    address.select();
  }, []);
  useEffect(goToAddress, [goToAddress, index, body.sends.length]);

  const shaped = open && shapedOf(held, open, trace, found);
  if (shaped) return <ShapingRow held={held} shaped={shaped} onClose={() => setOpen(null)} />;
  return (
    <section
      aria-label="Path"
      data-path
      className="flex h-full items-stretch overflow-x-auto"
      onKeyDown={(e) => {
        // what floats above the strip, such as an open list, closes itself
        if (e.key !== "Escape" || !e.currentTarget.contains(e.target as Node)) return;
        e.stopPropagation();
        document.querySelector<HTMLElement>(`[data-build="${place.part.id}"]`)?.focus();
      }}
    >
      <Cell name="Touch" stopped={stopIn(trace, "TOUCH")} share={0.95}>
        <TouchCell held={held} place={place} playing={playing} />
        <LineFindings found={ofNoLine(found)} />
      </Cell>
      <Cell name="Shaping" stopped={stopIn(trace, "SHAPING")} share={0.6}>
        <ShapingCell
          held={held}
          send={send}
          index={index}
          trace={trace}
          open={(argument) => setOpen({ send: index, argument })}
        />
      </Cell>
      <Cell
        name="Message"
        stopped={stopIn(trace, "MESSAGE")}
        share={2.05}
        tabs={
          <SendTabs
            held={held}
            index={index}
            choose={setChosenSend}
            onAdded={(from) => {
              addressWanted.current = body.sends.length;
              focusedThen.current = from;
              requestAnimationFrame(goToAddress);
            }}
          />
        }
      >
        <MessageCell held={held} send={send} index={index} found={ofLine(found, "sends", index)} />
      </Cell>
      <Cell name="Wire" stopped={stopIn(trace, "WIRE")} share={0.8}>
        <WireCell id={id} send={send} index={index} trace={trace} />
      </Cell>
      <Cell
        name="Answer"
        stopped={stopIn(trace, "ANSWER")}
        why={id}
        share={1.65}
        tabs={<ListenTabs held={held} sendIndex={index} index={listenIndex} choose={setChosenListen} />}
        last
      >
        <AnswerCell
          held={held}
          sendIndex={index}
          index={listenIndex}
          trace={trace}
          found={ofLine(found, "listens", listenIndex)}
          line={line("LISTEN", listenIndex)}
          open={() => setOpen({ listen: listenIndex })}
        />
      </Cell>
    </section>
  );
}

/** Whose steps are looked at instead of the path. */
type Opened = { send: number; argument: number } | { listen: number };

/** The steps that are looked at; null where an edit took them away meanwhile. */
function shapedOf(
  held: HeldOf<Control>,
  open: Opened,
  trace: Trace | undefined,
  found: Found[],
): Shaped | null {
  const { body } = held.part;
  if ("listen" in open) {
    const listen = body.listens[open.listen];
    if (!listen?.shaping) return null;
    const put = putListen(held, open.listen);
    return {
      title: `From ${listen.address}, heard the other way`,
      axis: listen.axis,
      shaping: listen.shaping,
      type: "FLOAT32",
      stages: undefined,
      put: (update) => put("shaping", (before) => ({ shaping: update(before.shaping ?? []) })),
      findings: <LineFindings found={ofLine(found, "listens", open.listen)} />,
      marked: () => undefined,
    };
  }
  const { send, argument } = open;
  const source = body.sends[send]?.arguments[argument];
  if (!source || !("shaping" in source)) return null;
  const put = putSend(held, send);
  return {
    title: `To ${body.sends[send]!.address}, argument ${argument + 1}`,
    axis: "axis" in source ? source.axis : 0,
    shaping: source.shaping,
    type: source.type,
    stages: trace?.shaping.find((each) => each.send === send && each.argument === argument)?.after,
    put: (update) =>
      put(`arguments/${argument}`, (before) => ({
        arguments: changed(before.arguments, argument, (now) =>
          "shaping" in now ? { ...now, shaping: update(now.shaping) } : now,
        ),
      })),
    findings: <LineFindings found={ofLine(found, "sends", send)} />,
    marked: (step) =>
      found.find(
        ({ field, accepted }) =>
          accepted === null && field === `sends/${send}/arguments/${argument}/shaping/${step}`,
      )?.text,
  };
}

type Stop = NonNullable<Trace["stopped"]>;

function stopIn(trace: Trace | undefined, cell: string): Stop | undefined {
  return trace?.stopped?.cell === cell ? trace.stopped : undefined;
}

interface CellProps {
  name: string;
  stopped?: Stop;
  share: number;
  /** Which of several it shows. */
  tabs?: ReactNode;
  last?: boolean;
  /** The control whose missing answer can be asked about here. */
  why?: string;
  children: ReactNode;
}

function Cell({ name, stopped, share, tabs, last, why, children }: CellProps) {
  return (
    <div
      role="group"
      aria-label={name}
      className="path-cell relative min-w-0 overflow-auto border-r border-rule p-2 max-sm:min-w-52"
      style={{ flex: share }}
    >
      <h3 className="mb-1 flex items-center gap-2 font-bold">
        {name} {tabs}
        {!last && (
          <ChevronRight size={18} className="ml-auto flex-none text-quiet max-xl:hidden" aria-hidden />
        )}
      </h3>
      {stopped && (
        <p role="status" className="mb-1 rounded border border-caution px-2 py-0.5 text-sm text-caution">
          {stopped.why}
          <span className="block text-quiet">{stopped.mend}</span>
          {why && (
            <button className="font-bold underline" onClick={() => askWhy({ of: "control", id: why })}>
              Why?
            </button>
          )}
        </p>
      )}
      {children}
    </div>
  );
}
