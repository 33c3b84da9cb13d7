import { useEffect, useMemo, useState } from "react";
import { arrange } from "../requests/edits";
import { learn, learned } from "../requests/lines";
import type { Learned } from "../api/types";
import { partOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { nameOf } from "../live/laid";
import { useSelection } from "./selection";

const LOOK_MS = 400;
const ANYBODY = "anybody";

/** Moves of the real thing become lines: what arrives is listed, busiest first, and given to what is selected. */
export function LearnShelf() {
  const [on, setOn] = useState(false);
  const [heard, setHeard] = useState<Learned[]>([]);
  const [from, setFrom] = useState(ANYBODY);
  const parts = useShow((s) => s.parts);
  const ids = useSelection((s) => s.ids);

  useEffect(() => {
    if (!on) return;
    const timer = setInterval(
      () =>
        void learned()
          .then(setHeard)
          // the banner of the lost server says it; what was heard stays
          .catch(() => undefined),
      LOOK_MS,
    );
    return () => {
      clearInterval(timer);
      void learn(false);
    };
  }, [on]);

  const listen = async () => {
    const problems = await report(learn(true));
    if (problems.length > 0) return;
    setHeard([]);
    setOn(true);
  };

  const controls = ids.flatMap((id) => partOf(parts, "control", id) ?? []);
  const wanted = useMemo(
    () => (from === ANYBODY ? heard : heard.filter((each) => each.target === from)),
    [heard, from],
  );
  const inOrder = useMemo(() => [...wanted].sort((a, b) => a.order - b.order), [wanted]);
  const pairs = controls.slice(0, inOrder.length).map((control, i) => ({ control, from: inOrder[i]! }));
  const take = (taken: typeof pairs) =>
    void report(
      arrange({
        what: "learned",
        pairs: taken.map(({ control, from }) => ({
          control: control.part.id,
          target: from.target,
          address: from.address,
          argument: from.argument,
          type: from.type,
          low: from.low ?? 0,
          high: from.high ?? 1,
        })),
      }),
    );

  return (
    <section aria-label="Learn" className="flex min-h-0 flex-1 flex-col gap-2">
      <Select
        label="From target"
        value={from}
        onChange={setFrom}
        options={[
          { value: ANYBODY, text: "anybody" },
          ...partsOf(parts, "target").map((t) => ({ value: t.part.id, text: t.part.body.name })),
        ]}
      />
      <PushButton strong={!on} onClick={() => (on ? setOn(false) : void listen())}>
        {on ? "Stop listening" : "Listen"}
      </PushButton>
      <p className="text-sm text-quiet" role="status">
        {!on && wanted.length === 0
          ? "Select controls in order, press Listen, then move the real things one after the other."
          : wanted.length === 0
            ? "Listening: move something at the target."
            : `${wanted.length} ${wanted.length === 1 ? "address" : "addresses"} heard. ${controls.length ? "Take one for the first selected control, or all in order." : "Select the controls that are to get them."}`}
      </p>
      {pairs.length > 1 && (
        <div className="rounded border border-select p-2">
          <p className="text-sm text-quiet">In the order in which they came:</p>
          <ol className="max-h-40 overflow-auto text-sm">
            {pairs.map(({ control, from }) => (
              <li key={control.part.id}>
                {nameOf(control.part.body)} ← <span className="font-mono">{from.address}</span>
              </li>
            ))}
          </ol>
          <PushButton strong className="mt-2 w-full" onClick={() => take(pairs)}>
            Take {pairs.length} in order
          </PushButton>
        </div>
      )}
      <ul className="flex min-h-40 flex-1 flex-col overflow-auto" aria-label="Heard">
        {wanted.map((each) => (
          <li key={`${each.target} ${each.address}`} className="border-b border-rule py-1">
            <div className="flex items-center gap-1">
              <span className="min-w-0 flex-1 font-mono text-sm break-all">{each.address}</span>
              <PushButton
                className="px-2! py-0!"
                disabled={controls.length === 0}
                onClick={() => take([{ control: controls[0]!, from: each }])}
              >
                Take
              </PushButton>
            </div>
            <span className="text-sm text-quiet">
              {each.count} ×{" "}
              {each.low === null ? "text" : `${short(each.low)} … ${short(each.high ?? each.low)}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const short = (value: number) => String(Number(value.toPrecision(3)));
