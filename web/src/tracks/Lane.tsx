import { useCallback, useEffect, useRef, useState } from "react";
import type { Cue, SoundWave, Track, TrackMark } from "../api/types";
import { clock, positionAt } from "../live/position";
import { type HeldOf, useShow } from "../live/show";
import { change } from "../requests/edits";
import { soundWave, stepTrack } from "../requests/tracks";
import { report } from "../ui/notices";
import { following, paint, placeOf, ticks, timeAt, type View, within, zoomed } from "./wave";

interface Props {
  track: HeldOf<Track>;
  length: number;
  cues: HeldOf<Cue>[];
  marks: HeldOf<TrackMark>[];
  chosen: string | null;
  choose: (part: string) => void;
  /** Whether cues and marks may be dragged. */
  editing: boolean;
  view: View;
  look: (view: View) => void;
}

interface Drag {
  id: string;
  from: number;
  at: number;
  moved: boolean;
}

/** A letter, at most as wide as this on the average, and what is beside all of them. */
const LETTER_PX = 8;
const BESIDE_PX = 14;
const widthOf = (text: string) => text.length * LETTER_PX + BESIDE_PX;

/** A hand that presses moves a little. */
const STILL_PX = 4;

/** How long after a wave that did not come it is asked for again. */
const AGAIN_MS = 2000;

/** A track as one sees it: its wave, its beats, its cues and marks, and where it is. */
export function Lane({ track, length, cues, marks, chosen, choose, editing, view, look }: Props) {
  const { id, body } = track.part;
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const head = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(800);
  const [wave, setWave] = useState<{ of: string; wave: SoundWave } | null>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const hash = body.sound?.hash ?? null;
  const shown = wave?.of === hash ? wave.wave : null;

  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.max(1, entry!.contentRect.width)));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);

  useEffect(() => {
    if (!hash) return;
    let wanted = true;
    const ask = () =>
      soundWave(hash, view.from, view.to, Math.round(width * (devicePixelRatio || 1))).then(
        (found) => wanted && setWave({ of: hash, wave: found }),
        // it is drawn as silence until its file is loaded again
        () => {
          if (wanted) timer = setTimeout(ask, AGAIN_MS);
        },
      );
    let timer = setTimeout(ask, 60);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [hash, view, width]);

  useEffect(() => paint(canvas.current!, view, shown, body.beats), [view, shown, body.beats, width]);

  // where it is moves without drawing anything else anew
  useEffect(() => {
    let frame = 0;
    const draw = () => {
      const told = useShow.getState().tracks.get(id);
      const here = told ? positionAt(told, performance.now(), length) : 0;
      if (head.current) head.current.style.transform = `translateX(${placeOf(view, here, width)}px)`;
      if (told?.state.rolling && (here < view.from || here > view.to)) look(following(view, here, length));
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [id, view, width, length, look]);

  const timeOf = useCallback(
    (clientX: number) => timeAt(view, clientX - box.current!.getBoundingClientRect().left, width),
    [view, width],
  );

  const drop = (kind: "cue" | "trackMark", what: string) => {
    if (!drag) return;
    setDrag(null);
    if (!drag.moved) return;
    const at = Math.round(Math.max(0, Math.min(length, drag.at)) * 1000) / 1000;
    void report(
      change(`Move it to ${clock(at)}`, kind, what, (before) => ({ ...before, at }) as typeof before),
    );
  };

  /** What stands behind a flag has its own room, and so has what is not there: a name that does not fit is left out. */
  const roomAfter = (all: readonly number[], at: number) => {
    const next = all.find((other) => other > at);
    const end = next === undefined ? width : Math.min(width, placeOf(view, next, width));
    return Math.max(0, end - placeOf(view, at, width));
  };
  const cueTimes = cues.map((c) => c.part.body.at!).sort((a, b) => a - b);
  const markTimes = marks.map((m) => m.part.body.at).sort((a, b) => a - b);
  const flag = (held: HeldOf<Cue> | HeldOf<TrackMark>, at: number, isCue: boolean) => {
    const { id: part, body: what } = held.part;
    const here = drag?.id === part && drag.moved ? drag.at : at;
    const x = placeOf(view, here, width);
    if (x < -200 || x > width + 10) return null;
    const called = isCue ? `${(what as Cue).number} ${what.name}`.trim() : what.name;
    const room = roomAfter(isCue ? cueTimes : markTimes, at);
    const shown = [called, isCue ? (what as Cue).number : ""].find((text) => widthOf(text) <= room) ?? "";
    return (
      <button
        key={part}
        data-flag={called}
        data-at={at}
        aria-label={`${isCue ? "Cue" : "Mark"} ${called} at ${clock(at)}`}
        aria-pressed={chosen === part}
        className={`lane-flag ${isCue ? "lane-cue" : "lane-mark"}`}
        style={{ transform: `translateX(${x}px)`, maxWidth: room }}
        onPointerDown={(e) => {
          e.stopPropagation();
          choose(part);
          if (!editing) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          setDrag({ id: part, from: e.clientX, at, moved: false });
        }}
        onPointerMove={(e) => {
          if (drag?.id !== part) return;
          if (drag.moved || Math.abs(e.clientX - drag.from) > STILL_PX)
            setDrag({
              ...drag,
              moved: true,
              at: at + ((e.clientX - drag.from) / width) * (view.to - view.from),
            });
        }}
        onPointerUp={() => drop(isCue ? "cue" : "trackMark", part)}
        onPointerCancel={() => setDrag(null)}
      >
        {shown}
      </button>
    );
  };

  const { times, digits } = ticks(view, width);
  return (
    <div
      ref={box}
      className="lane"
      aria-label={`Track ${body.name}`}
      role="group"
      onPointerDown={(e) => {
        if (e.button === 0)
          stepTrack(id, "PLACE", { seconds: Math.max(0, Math.min(length, timeOf(e.clientX))) });
      }}
      onWheel={(e) => {
        const span = view.to - view.from;
        if (e.ctrlKey || e.altKey) look(zoomed(view, Math.exp(e.deltaY / 300), timeOf(e.clientX), length));
        else {
          const by = ((e.deltaX || e.deltaY) / width) * span;
          look(within({ from: view.from + by, to: view.to + by }, length));
        }
      }}
    >
      <canvas ref={canvas} className="lane-wave" aria-hidden />
      {marks
        .filter((m) => m.part.body.length > 0)
        .map(({ part }) => (
          <div
            key={part.id}
            className="lane-section"
            aria-hidden
            style={{
              left: placeOf(view, part.body.at, width),
              width: (part.body.length / (view.to - view.from)) * width,
            }}
          />
        ))}
      <div className="lane-ticks" aria-hidden>
        {times.map((time) => (
          <span key={time} style={{ transform: `translateX(${placeOf(view, time, width)}px)` }}>
            {clock(time, digits)}
          </span>
        ))}
      </div>
      {marks.map((m) => flag(m, m.part.body.at, false))}
      {cues.map((c) => flag(c, c.part.body.at!, true))}
      <div ref={head} className="lane-head" aria-hidden />
    </div>
  );
}
