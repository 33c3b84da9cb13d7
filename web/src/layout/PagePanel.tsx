import {
  ArrowDown,
  ArrowUp,
  Copy,
  CopyCheck,
  Download,
  PencilRuler,
  Smartphone,
  Trash2,
  Upload,
} from "lucide-react";
import { useState } from "react";
import { layoutFile, shapeOf } from "../requests/lines";
import type { Condition, Page, Problem } from "../api/types";
import { useLook } from "../requests/useLook";
import { type HeldOf, partOf, partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { Check, NumberField, of } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { SidePanel } from "../ui/SidePanel";
import { whileHere } from "../ui/whileHere";
import { ConditionFields } from "./ConditionFields";
import { useGoToPage } from "./useGoToPage";
import {
  changePage,
  copyLayout,
  copyToPhone,
  duplicatePage,
  orderPage,
  removePage,
  setPage,
} from "./actions";
import { openDialog } from "./dialogs";
import { inDraft } from "../live/laid";
import { type ScreenKind, SCREENS } from "./screens";

/** Everything of one page: its cells, the screen it is meant for, and its way in and out. */
export function PagePanel({ page, onClose }: { page: HeldOf<Page>; onClose: () => void }) {
  const goTo = useGoToPage();
  const parts = useShow((s) => s.parts);
  const { id, body, parent } = page.part;
  const used = useLook(id, shapeOf).found?.used;
  const put = (field: string, part: Partial<Page>) => of(field, setPage(page, part));
  const putScreen = (change: Partial<Page["screen"]>) =>
    of(
      "screen",
      changePage(page, "screen", (now) => ({ screen: { ...now.screen, ...change } })),
    );

  const [screen, setScreen] = useState<ScreenKind>("PHONE");
  const made = async (making: Promise<{ id: string; problems: Problem[] }>, page = (id: string) => id) => {
    void report(making.then((m) => m.problems));
    await whileHere(making, ({ id, problems }) => {
      if (problems.length > 0) return;
      goTo(page(id));
      onClose();
    });
  };
  /** The copy of this very page. */
  const copied = (draft: string) => {
    const { parts: now } = useShow.getState();
    const origins = partOf(now, "layout", draft)?.part.body.draft?.origins ?? [];
    return origins.find((origin) => origin.original === id)?.copy ?? id;
  };
  const first = partsOf(parts, "target")[0]?.part.id ?? null;
  const fresh: Condition = { target: first, address: "/scene", argument: 0, text: body.name };

  return (
    <SidePanel title={`Page ${body.name}`} onClose={onClose}>
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Columns"
          whole
          value={body.columns}
          onCommit={(columns) => put("columns", { columns })}
        />
        <NumberField label="Rows" whole value={body.rows} onCommit={(rows) => put("rows", { rows })} />
      </div>
      {used && (used.columns !== body.columns || used.rows !== body.rows) && (
        <PushButton
          className="self-start"
          title="As many columns and rows as are used: the fewer, the larger is everything on the page"
          onClick={() => void report(setPage(page, used))}
        >
          Fit what lies here: {used.columns} × {used.rows}
        </PushButton>
      )}
      <Select<ScreenKind>
        label="Meant for"
        value={body.screen.kind}
        onChange={(kind) => void report(putScreen({ kind }))}
        options={SCREENS}
      />
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Width in pixels"
          whole
          value={body.screen.width}
          onCommit={(width) => putScreen({ kind: "OWN", width })}
        />
        <NumberField
          label="Height in pixels"
          whole
          value={body.screen.height}
          onCommit={(height) => putScreen({ kind: "OWN", height })}
        />
      </div>
      <Check
        label="A strip at the top of every other page of this layout"
        checked={body.strip}
        onChange={(strip) => void report(put("strip", { strip }))}
      />
      <Check
        label="Shown by a target"
        checked={body.follows !== null}
        onChange={(follows) => void report(put("follows", { follows: follows ? fresh : null }))}
      />
      {body.follows && (
        <ConditionFields
          condition={body.follows}
          field="follows"
          put={(field, update) =>
            of(
              field,
              changePage(page, "follows", (now) => ({ follows: now.follows && update(now.follows) })),
            )
          }
        />
      )}
      <div className="flex items-end gap-2 border-t border-rule pt-3">
        <Select<ScreenKind>
          label="The same controls on a page for a"
          className="flex-1"
          value={screen}
          onChange={setScreen}
          options={SCREENS.filter((s) => s.value !== "OWN")}
        />
        <PushButton onClick={() => void made(duplicatePage(id, screen, true))}>
          <CopyCheck size={16} aria-hidden /> Show again
        </PushButton>
      </div>
      {body.screen.kind !== "PHONE" && (
        <section className="border-t border-rule pt-3" aria-label="Copy to a phone page">
          <p className="mb-1 text-sm text-quiet">
            Copy to a phone page: laid out anew, large enough for fingers, the strips
          </p>
          <div className="grid grid-cols-2 gap-2">
            <PushButton onClick={() => void made(copyToPhone(id, 1))}>
              <Smartphone size={16} aria-hidden /> one below another
            </PushButton>
            <PushButton onClick={() => void made(copyToPhone(id, 2))}>
              <Smartphone size={16} aria-hidden /> two across
            </PushButton>
          </div>
        </section>
      )}
      <div className="grid grid-cols-2 gap-2 border-t border-rule pt-3">
        <PushButton onClick={() => void report(orderPage(id, -1))}>
          <ArrowUp size={16} aria-hidden /> Earlier
        </PushButton>
        <PushButton onClick={() => void report(orderPage(id, 1))}>
          <ArrowDown size={16} aria-hidden /> Later
        </PushButton>
        <PushButton onClick={() => void made(duplicatePage(id, null, false))}>
          <Copy size={16} aria-hidden /> Duplicate
        </PushButton>
        {parent && !inDraft(parts, id) && (
          <PushButton onClick={() => void made(copyLayout(parent), copied)}>
            <PencilRuler size={16} aria-hidden /> Work on a copy
          </PushButton>
        )}
        <a className="contents" href={layoutFile(id)} download>
          <PushButton tabIndex={-1}>
            <Download size={16} aria-hidden /> This page as a file
          </PushButton>
        </a>
        {parent && (
          <a className="contents" href={layoutFile(parent)} download>
            <PushButton tabIndex={-1}>
              <Download size={16} aria-hidden /> Whole layout
            </PushButton>
          </a>
        )}
        <PushButton
          onClick={() => {
            onClose();
            openDialog("layoutFile");
          }}
        >
          <Upload size={16} aria-hidden /> Import a file …
        </PushButton>
        <PushButton
          aria-label="Remove page"
          onClick={() => {
            onClose();
            void report(removePage(page));
          }}
        >
          <Trash2 size={16} aria-hidden /> Remove page
        </PushButton>
      </div>
    </SidePanel>
  );
}
