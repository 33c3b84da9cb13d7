import { useEffect, useState } from "react";
import type { CaptureLine, Problem, Replay } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { peersOf, replay } from "../requests/captures";
import { Select } from "../ui/Select";
import { WideDialog } from "../ui/WideDialog";

const ALL = "all";
const ITSELF = "itself";

/** What a copy of the show makes of what came in a capture: nothing is sent, and nothing here moves. */
export function ReplayDialog({ capture, onClose }: { capture: CaptureLine; onClose: () => void }) {
  const targets = partsOf(
    useShow((s) => s.parts),
    "target",
  );
  const [peers, setPeers] = useState<string[]>([]);
  const [peer, setPeer] = useState(ALL);
  const [target, setTarget] = useState(ITSELF);
  const [found, setFound] = useState<Replay | null>(null);
  useEffect(() => {
    let wanted = true;
    peersOf(capture.id).then(
      (told) => wanted && setPeers(told),
      () => wanted && setPeers([]),
    );
    return () => {
      wanted = false;
    };
  }, [capture.id]);
  const act = (): Promise<Problem[]> =>
    replay(capture.id, peer === ALL ? "" : peer, target === ITSELF ? null : target).then(
      (told) => {
        setFound(told);
        return [];
      },
      (e: Error) => [{ part: null, field: "", message: e.message, mend: null }],
    );
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
        A copy of the show without sockets gets what came, as fast as it goes. Nothing is sent, and nothing on
        the pages moves.
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
    <li className="grid grid-cols-[12rem_1fr_4rem] gap-3 border-b border-rule py-0.5">
      <span className="[overflow-wrap:anywhere]">{left}</span>
      <span className="font-mono [overflow-wrap:anywhere]">{right}</span>
      <span className="text-right text-quiet">{count !== undefined && `× ${count}`}</span>
    </li>
  );
}
