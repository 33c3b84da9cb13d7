import { useMemo, useState } from "react";
import { type OnSameName, previewLayout, takeLayout } from "../requests/lines";
import { useLook } from "../requests/useLook";
import { WideDialog } from "../ui/WideDialog";
import { ChangeTable } from "./Changes";
import { textOf } from "../ui/file";

/** Takes in a layout or a page from a file, after a look at what it needs and what it changes. */
export function LayoutFileDialog({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState("");
  const [onSameName, setOnSameName] = useState<OnSameName>("KEEP_BOTH");
  const file = useMemo(() => (text ? { text, onSameName } : null), [text, onSameName]);
  const { found: preview, trouble, current } = useLook(file, previewLayout);
  const refused = trouble || (preview?.problem ?? "");

  return (
    <WideDialog
      title="Import a layout or a page"
      onClose={onClose}
      action="Import"
      ready={current && refused === ""}
      act={() => takeLayout({ text, onSameName })}
    >
      <input
        type="file"
        aria-label="Layout file"
        accept=".json,application/json"
        onChange={(e) => void textOf(e.target.files?.[0]).then(setText)}
      />
      {!file && (
        <p className="text-quiet">
          Choose a file that was written by “This page as a file” or “Whole layout”.
        </p>
      )}
      {refused && (
        <p role="alert" className="text-fault">
          {refused}. No changes.
        </p>
      )}
      {preview && !refused && (
        <>
          <p>
            <b>{preview.name}</b>: {preview.pages.join(", ")}
          </p>
          <dl className="grid grid-cols-[14rem_1fr] gap-x-3 gap-y-1 text-sm" aria-label="What it needs">
            <Names term="Targets that are here" names={preview.matched} none="none" />
            <Names term="Targets that come along" names={preview.missing} none="none: all are here" />
            <Names term="Targets that it does not use" names={preview.extra} none="none" />
            <Names term="Lines that do nothing here" names={preview.dead} none="none" />
          </dl>
          {preview.exists && (
            <div role="radiogroup" aria-label="It is here already" className="flex gap-6">
              <label className="flex gap-2">
                <input
                  type="radio"
                  checked={onSameName === "KEEP_BOTH"}
                  onChange={() => setOnSameName("KEEP_BOTH")}
                />
                Keep both
              </label>
              <label className="flex gap-2">
                <input
                  type="radio"
                  checked={onSameName === "REPLACE"}
                  onChange={() => setOnSameName("REPLACE")}
                />
                Replace what is here
              </label>
            </div>
          )}
          <ChangeTable changes={preview.changes} />
        </>
      )}
    </WideDialog>
  );
}

function Names({ term, names, none }: { term: string; names: string[]; none: string }) {
  return (
    <>
      <dt className="text-quiet">{term}</dt>
      <dd className="max-h-24 overflow-auto">
        {names.length ? (
          names.map((name, i) => <div key={i}>{name}</div>)
        ) : (
          <span className="text-quiet">{none}</span>
        )}
      </dd>
    </>
  );
}
