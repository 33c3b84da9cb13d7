import { SkipBack, SkipForward } from "lucide-react";
import { useEffect, useState } from "react";
import type { CaptureLine, Problem, Replay } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { replay } from "../requests/captures";
import { PushButton } from "../ui/buttons";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";
import { usePeers } from "./usePeers";

const ALL = "all";
const ITSELF = "itself";
const STILL = "still";
/** From one look to the next while it plays. */
const PLAYS_MS = 200;

/** What a copy of the show makes of what came in a capture: nothing is sent, and nothing here moves. */
export function ReplayDialog({ capture, onClose }: { capture: CaptureLine; onClose: () => void }) {
  const targets = partsOf(
    useShow((s) => s.parts),
    "target",
  );
  const peers = usePeers(capture.id);
  const [peer, setPeer] = useState(ALL);
  const [target, setTarget] = useState(ITSELF);
  const [found, setFound] = useState<Replay | null>(null);
  const [speed, setSpeed] = useState<string | null>(null);
  const [trouble, setTrouble] = useState("");
  const look = (until: number | null) =>
    replay(capture.id, {
      peer: peer === ALL ? "" : peer,
      target: target === ITSELF ? null : target,
      until,
    });
  const act = (): Promise<Problem[]> => {
    setSpeed(null);
    setTrouble("");
    return look(null).then(
      (told) => {
        setFound(told);
        return [];
      },
      (e: Error) => [{ part: null, field: "", message: e.message, mend: null }],
    );
  };
  const goTo = (until: number) => {
    setSpeed(null);
    setTrouble("");
    void look(until).then(setFound, (e: Error) => setTrouble(e.message));
  };
  // as it came, or faster: where it stands is worked out anew each time, from its beginning
  useEffect(() => {
    if (speed === null) return;
    let wanted = true;
    let timer: ReturnType<typeof setTimeout>;
    const begun = performance.now();
    const next = () =>
      void look((performance.now() - begun) * Number(speed)).then(
        (told) => {
          if (!wanted) return;
          setFound(told);
          if (told.stretch.next === null) setSpeed(null);
          else timer = setTimeout(next, PLAYS_MS);
        },
        (e: Error) => {
          if (!wanted) return;
          setSpeed(null);
          setTrouble(e.message);
        },
      );
    next();
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // what is asked stays as it was when it began
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [speed]);
  return (
    <WideDialog
      title={`Try “${capture.name}” in this show`}
      onClose={onClose}
      action={found ? "Try again" : "Try"}
      ready
      stays
      act={act}
    >
      <p>
        A copy of the show without sockets gets what came. Nothing is sent, and nothing on the pages moves.
      </p>
      <div className="flex flex-wrap gap-3">
        <Select
          label="What came from"
          className="w-64"
          value={peer}
          onChange={setPeer}
          options={[{ value: ALL, text: "everybody" }, ...peers.map((end) => ({ value: end, text: end }))]}
        />
        <Select
          label="Taken for"
          className="w-64"
          value={target}
          onChange={setTarget}
          options={[
            { value: ITSELF, text: "the target at whose end it is" },
            ...targets.map((one) => ({ value: one.part.id, text: one.part.body.name })),
          ]}
        />
      </div>
      {found && found.stretch.of > 0 && (
        <div className="flex flex-wrap items-end gap-3" role="group" aria-label="How far">
          <span className="min-w-56 py-1 font-mono">
            {found.packets} of {found.stretch.of}, {(found.stretch.at / 1000).toFixed(3)} s
          </span>
          <PushButton onClick={() => goTo(0)}>
            <SkipBack size={16} aria-hidden /> First packet
          </PushButton>
          <PushButton
            disabled={found.stretch.next === null}
            onClick={() => goTo(found.stretch.next ?? found.stretch.last)}
          >
            <SkipForward size={16} aria-hidden /> Next packet
          </PushButton>
          <Select
            label="Play from its beginning"
            className="w-40"
            value={speed ?? STILL}
            onChange={(chosen) => setSpeed(chosen === STILL ? null : chosen)}
            options={[
              { value: STILL, text: "not playing" },
              { value: "0.25", text: "a quarter" },
              { value: "1", text: "as it came" },
              { value: "2", text: "twice" },
              { value: "10", text: "ten times" },
            ]}
          />
        </div>
      )}
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {found && <Found found={found} />}
    </WideDialog>
  );
}

function Found({ found }: { found: Replay }) {
  return (
    <div
      role="status"
      aria-label="What the show made of it"
      className="flex min-h-0 flex-col gap-3 overflow-auto"
    >
      <p className="text-lg">
        <b>{found.messages} messages</b> in {found.packets} packets that came
        {found.malformed > 0 && `, ${found.malformed} malformed`}
        {found.passedOver > 0 && `; ${found.passedOver} more were not looked at`}.
      </p>
      {found.strangers.length > 0 && (
        <p className="text-caution">
          No target of this show: {found.strangers.join(", ")}. Choose whom they are taken for, above.
        </p>
      )}
      <Part title="Controls that follow" count={found.followedCount}>
        {found.followed.map((each) => (
          <Row
            key={each.control}
            left={each.label || "a control"}
            right={each.stands}
            count={each.messages}
          />
        ))}
      </Part>
      <Part title="Addresses that no control listens to" count={found.unfollowedCount}>
        {found.unfollowed.map((each) => (
          <Row
            key={`${each.target} ${each.address}`}
            left={each.target}
            right={each.address}
            count={each.messages}
          />
        ))}
      </Part>
      <Part
        title="Controls that listen to these targets, and nothing came for them"
        count={found.silentCount}
      >
        {found.silent.map((each) => (
          <Row key={each.control} left={each.label || "a control"} right="" />
        ))}
      </Part>
    </div>
  );
}

function Part({ title, count, children }: { title: string; count: number; children: React.ReactNode }) {
  if (count === 0) return null;
  return (
    <section>
      <h3 className="font-bold">
        {title}: {count}
      </h3>
      <ul className="max-h-48 overflow-auto">{children}</ul>
    </section>
  );
}

function Row({ left, right, count }: { left: string; right: string; count?: number }) {
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.6fr)_3.5rem] gap-3 border-b border-rule py-0.5">
      <span className="[overflow-wrap:anywhere]">{left}</span>
      <span className="font-mono [overflow-wrap:anywhere]">{right}</span>
      <span className="text-right text-quiet">{count !== undefined && `× ${count}`}</span>
    </li>
  );
}
