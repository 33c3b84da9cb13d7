import { CopyCheck, Hand, TriangleAlert } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, type ReactNode, useEffect, useRef } from "react";
import type { Cells, Control, Found } from "../api/types";
import { Seen } from "../controls/Seen";
import { browser } from "../live/browser";
import { calledOf, controlAt, type Laid } from "../live/laid";
import { partOf, useShow } from "../live/show";
import { isOpen } from "../findings/found";
import { ProvedMark } from "../proof/ProvedMark";
import { placeOf } from "../run/CellGrid";
import { GATE_WORDS } from "../rig/gates";
import { report } from "../ui/notices";
import { arrangeSelected } from "./actions";
import { select, toggle, useSelection } from "./selection";
import { TrayBuild } from "./TrayBuild";

interface HandleProps {
  held: Laid;
  cells: Cells;
  moving: boolean;
  selected: boolean;
  /** What the checks say of it. */
  found: Found[];
  onStart: (how: "move" | "resize", e: PointerEvent) => void;
  /** Draws what lies in a tray. */
  inside: (held: Laid) => ReactNode;
}

/** What takes a control or a tray in Build: a drag moves the selection, the round corner resizes it, arrow keys do the same. */
export function Handle({ held, cells, moving, selected, found, onStart, inside }: HandleProps) {
  const open = found.filter((each) => isOpen(each) && each.severity !== "NOTE");
  const small = open.find((each) => each.kind === "TOO_SMALL");
  const findings = open.filter((each) => each !== small).map((each) => each.text);
  const { id, body } = held.part;
  const others = useShow((s) => s.presences)
    .filter((p) => p.browser !== browser.id && p.controls.includes(id))
    .map((p) => p.name);
  const parts = useShow((s) => s.parts);
  const control = controlAt(parts, held)?.part.body;
  const gated = useShow((s) => gatedWords(control, s));
  const kind = body.kind === "tray" ? "tray" : (control?.form.kind ?? "gone");

  const fresh = useSelection((s) => s.fresh === id);
  const element = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (fresh) element.current?.focus();
  }, [fresh]);

  const start = (e: PointerEvent, how: "move" | "resize") => {
    if (e.button !== 0) return;
    e.stopPropagation();
    if (e.shiftKey || e.ctrlKey || e.metaKey) return toggle(id);
    if (!selected) select(id);
    onStart(how, e);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.target !== e.currentTarget) return;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (way && !e.ctrlKey && !e.metaKey && !e.altKey) {
      if (!selected) select(id);
      const [right, down] = way as [number, number];
      void report(
        arrangeSelected(
          e.shiftKey ? { what: "resize", wider: right, taller: down } : { what: "move", right, down },
        ),
      );
    } else if (e.key === " ") toggle(id);
    else if (e.key === "Enter") {
      select(id);
      // the path is drawn with the next frame
      requestAnimationFrame(() =>
        document.querySelector<HTMLElement>("[data-path] input, [data-path] button")?.focus(),
      );
    } else return;
    e.preventDefault();
  };

  return (
    <div
      ref={element}
      role="button"
      tabIndex={0}
      aria-label={`${calledOf(parts, held)}, ${kind}`}
      aria-pressed={selected}
      data-build={id}
      className={`relative min-h-0 min-w-0 touch-none ${body.kind === "tray" ? "" : "p-[3px]"} ${moving ? "z-20 opacity-80" : ""} ${
        selected
          ? "z-10 outline-3 outline-select"
          : others.length
            ? "outline-2 outline-select outline-dashed"
            : ""
      }`}
      style={placeOf(cells)}
      onPointerDown={(e) => start(e, "move")}
      onKeyDown={onKeyDown}
    >
      {body.kind === "tray" ? (
        <TrayBuild id={id} tray={body} inside={inside} />
      ) : (
        <div className="pointer-events-none h-full">
          <Seen held={held} live={false} />
        </div>
      )}
      {others.length > 0 && (
        <span className="pointer-events-none absolute -top-2 left-1 z-20 rounded bg-select px-1.5 text-xs font-bold text-ink">
          {others.join(", ")}
        </span>
      )}
      {body.kind === "twin" && (
        <span
          className="pointer-events-none absolute right-0.5 bottom-0.5 z-20 rounded bg-rule p-0.5 text-bone"
          title="Shown again: the same control as on another page"
        >
          <CopyCheck size={14} aria-hidden />
        </span>
      )}
      {body.kind === "control" && <ProvedMark control={id} />}
      {gated && (
        <span
          className="pointer-events-none absolute bottom-0.5 left-0.5 z-20 rounded bg-caution p-0.5 text-ink"
          title={gated}
        >
          <Hand size={14} role="img" aria-label={gated} />
        </span>
      )}
      {findings.length > 0 && (
        <span
          data-finding-mark
          className="pointer-events-none absolute top-0.5 right-0.5 z-20 rounded bg-caution p-0.5 text-ink"
          title={findings.join("; ")}
        >
          <TriangleAlert size={14} role="img" aria-label={findings.join("; ")} />
        </span>
      )}
      {small && (
        <span
          className="pointer-events-none absolute top-0.5 left-0.5 z-20 rounded bg-caution px-1 text-xs font-bold text-ink"
          title={small.text}
        >
          {small.facts} px
        </span>
      )}
      {selected && (
        <div
          data-resize
          title="Drag to resize"
          className="absolute -right-2 -bottom-2 z-20 h-6 w-6 cursor-nwse-resize rounded-full border-2 border-ground bg-select"
          onPointerDown={(e) => start(e, "resize")}
        />
      )}
    </div>
  );
}

/** Which of the targets that a control sends to get nothing now, in words; empty where all of them get it. */
function gatedWords(
  control: Control | undefined,
  { parts, links }: Pick<ReturnType<typeof useShow.getState>, "parts" | "links">,
): string {
  const targets = new Set(control?.sends.map((send) => send.target));
  return [...targets]
    .flatMap((target) => {
      const gate = target ? links.get(target)?.gate : undefined;
      const name = partOf(parts, "target", target)?.part.body.name;
      return gate && gate !== "OPEN" ? [`${name}: ${GATE_WORDS[gate].word}. ${GATE_WORDS[gate].hint}`] : [];
    })
    .join("; ");
}
