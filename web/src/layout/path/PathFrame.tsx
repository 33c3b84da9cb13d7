import { type KeyboardEvent, type PointerEvent, type ReactNode, useEffect, useState } from "react";

const KEPT = "imperan.path";
const USUAL = 288;
const LEAST = 120;
const STEP = 24;

/** As tall as somebody wants it on this device, but leaving the page half of the window. */
const within = (height: number) => Math.round(Math.max(LEAST, Math.min(window.innerHeight / 2, height)));

/** Follows a value, but not while a finger is down: what it touches must not move under it. */
function useOnceLifted<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  const [down, setDown] = useState(false);
  useEffect(() => {
    const press = () => setDown(true);
    const lift = () => setDown(false);
    window.addEventListener("pointerdown", press, true);
    window.addEventListener("pointerup", lift, true);
    window.addEventListener("pointercancel", lift, true);
    return () => {
      window.removeEventListener("pointerdown", press, true);
      window.removeEventListener("pointerup", lift, true);
      window.removeEventListener("pointercancel", lift, true);
    };
  }, []);
  if (!down && settled !== value) setSettled(value);
  return down ? settled : value;
}

interface Props {
  /** Whether there is something to show; else it is one line. */
  open: boolean;
  children: ReactNode;
}

/** The room of the path at the lower edge: one line while nothing is selected, else as tall as it was dragged. */
export function PathFrame({ open: wanted, children }: Props) {
  const open = useOnceLifted(wanted);
  const [height, setHeight] = useState(() => within(Number(localStorage.getItem(KEPT)) || USUAL));
  const keep = (to: number) => {
    setHeight(within(to));
    localStorage.setItem(KEPT, String(within(to)));
  };
  if (!open)
    return <div className="h-11 flex-none overflow-hidden border-t-2 border-rule bg-panel">{children}</div>;
  return (
    <div className="relative flex-none border-t-2 border-rule bg-panel" style={{ height }}>
      <div
        role="separator"
        aria-orientation="horizontal"
        aria-label="Height of the path"
        aria-valuenow={height}
        aria-valuemin={LEAST}
        aria-valuemax={Math.round(window.innerHeight / 2)}
        tabIndex={0}
        className="absolute inset-x-0 -top-2 z-20 h-4 cursor-row-resize touch-none"
        onPointerDown={(e: PointerEvent) => e.currentTarget.setPointerCapture(e.pointerId)}
        onPointerMove={(e: PointerEvent) => {
          if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
          keep(e.currentTarget.parentElement!.getBoundingClientRect().bottom - e.clientY);
        }}
        onKeyDown={(e: KeyboardEvent) => {
          if (e.key !== "ArrowUp" && e.key !== "ArrowDown") return;
          e.preventDefault();
          e.stopPropagation();
          keep(height + (e.key === "ArrowUp" ? STEP : -STEP));
        }}
      >
        <span className="mx-auto mt-1.5 block h-1 w-16 rounded bg-rule" />
      </div>
      {children}
    </div>
  );
}
