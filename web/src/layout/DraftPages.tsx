import { useState } from "react";
import { NavLink } from "react-router";
import { differenceOf } from "../requests/lines";
import type { Layout, Page, Problem } from "../api/types";
import { useLook } from "../requests/useLook";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { WideDialog } from "../ui/WideDialog";
import { discardLayout, swapLayout } from "./actions";
import { ChangeTable } from "./Changes";
import { useGoToPage } from "./useGoToPage";

/** Two beside each other, as most names are short; a long list leaves room for what is placed. */
export function PageLinks({ pages, current }: { pages: HeldOf<Page>[]; current: string | undefined }) {
  return (
    <div className="grid max-h-40 flex-none grid-cols-2 gap-1 overflow-auto">
      {pages.map(({ part: { id, body } }) => (
        <NavLink
          key={id}
          to={`/layout/${id}`}
          title={body.name}
          className={`rounded px-2 py-0.5 leading-tight [overflow-wrap:anywhere] ${body.strip ? "col-span-2" : ""} ${id === current ? "bg-raised font-bold" : "text-quiet"}`}
        >
          {body.name}
          {body.strip && <span className="text-sm font-normal text-quiet"> on every page</span>}
        </NavLink>
      ))}
    </div>
  );
}

/** The pages of a copy on which somebody works, and the two ways in which that ends. */
export function DraftPages({ draft, current }: { draft: HeldOf<Layout>; current: string | undefined }) {
  const { id, body } = draft.part;
  const parts = useShow((s) => s.parts);
  const goTo = useGoToPage();
  const [swapping, setSwapping] = useState(false);
  const here = partOf(parts, "page", current)?.part.parent === id;
  const played = () =>
    partsOf(useShow.getState().parts, "page").find((p) => p.part.parent === body.draft?.of)?.part.id;

  /** Whoever was on a page of the copy goes on with the same page that is played, or with the first. */
  const goOn = (problems: Problem[]) => {
    if (problems.length > 0 || !here) return problems;
    const same = body.draft?.origins.find((origin) => origin.copy === current)?.original;
    const next = same && useShow.getState().parts.has(same) ? same : played();
    if (next) goTo(next);
    return problems;
  };
  return (
    <section aria-label={`Copy of ${body.name}`} className="rounded border border-dashed border-caution p-2">
      <h3 className="text-sm font-bold text-caution">Copy of {body.name}, not played</h3>
      <PageLinks pages={partsOf(parts, "page", id)} current={current} />
      <div className="mt-1 flex gap-1">
        <PushButton strong className="px-2! py-0.5!" onClick={() => setSwapping(true)}>
          Swap in …
        </PushButton>
        <PushButton className="px-2! py-0.5!" onClick={() => void report(discardLayout(id)).then(goOn)}>
          Discard
        </PushButton>
      </div>
      {swapping && (
        <SwapInDialog draft={id} swap={() => swapLayout(id).then(goOn)} onClose={() => setSwapping(false)} />
      )}
    </section>
  );
}

interface SwapProps {
  draft: string;
  swap: () => Promise<Problem[]>;
  onClose: () => void;
}

function SwapInDialog({ draft, swap, onClose }: SwapProps) {
  const { found, trouble, current } = useLook(draft, differenceOf);
  const problems = trouble ? [trouble] : (found?.problems ?? []);
  return (
    <WideDialog
      title="Swap the copy in"
      onClose={onClose}
      action="Swap in"
      ready={current && problems.length === 0}
      act={swap}
    >
      <p className="text-quiet">
        The pages that are played become as they are in the copy, at once and for everybody. What is held
        stays held, and one undo leads back.
      </p>
      {problems.length > 0 && (
        <ul role="alert" className="text-fault">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      {found && found.since.length > 0 && (
        <div role="status" className="rounded border border-caution p-2">
          <p className="font-bold text-caution">What the copy does not have, and what would be lost:</p>
          <ul className="max-h-32 overflow-auto">
            {found.since.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </div>
      )}
      {found ? (
        problems.length === 0 && <ChangeTable changes={found.changes} />
      ) : (
        <p className="text-quiet">Looking …</p>
      )}
    </WideDialog>
  );
}
