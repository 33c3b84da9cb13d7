import { Camera, RefreshCw, Trash2 } from "lucide-react";
import { useState } from "react";
import { inDraft } from "../live/laid";
import { partsOf, useShow } from "../live/show";
import { recordLook } from "../requests/cues";
import { change, remove } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { report, told } from "../ui/notices";
import { Select } from "../ui/Select";

const ALL = "all";
const FORMS = ["fader", "knob", "button", "choice", "pad", "colour"];

/** What stands now, kept to be recalled: for all pages or one, for all kinds of controls or one. */
export function LooksPanel() {
  const parts = useShow((s) => s.parts);
  const live = useShow((s) => s.live);
  const looks = partsOf(parts, "look");
  const pages = partsOf(parts, "page").filter((p) => !inDraft(parts, p.part.id));
  const [page, setPage] = useState(ALL);
  const [form, setForm] = useState(ALL);
  const record = (id: string, name: string) =>
    void report(recordLook(id, name, page === ALL ? [] : [page], form === ALL ? [] : [form])).then(
      (problems) => problems.length === 0 && told(`“${name}” holds what stands now`),
    );
  return (
    <section aria-label="Looks" className="flex flex-col gap-3">
      <h2 className="text-lg font-bold">Looks</h2>
      <div className="grid grid-cols-2 gap-2">
        <Select
          label="Of pages"
          value={page}
          onChange={setPage}
          options={[
            { value: ALL, text: "all pages" },
            ...pages.map((p) => ({ value: p.part.id, text: p.part.body.name })),
          ]}
        />
        <Select
          label="Of controls"
          value={form}
          onChange={setForm}
          options={[{ value: ALL, text: "all kinds" }, ...FORMS.map((f) => ({ value: f, text: `${f}s` }))]}
        />
      </div>
      <PushButton disabled={!live} onClick={() => record(crypto.randomUUID(), `Look ${looks.length + 1}`)}>
        <Camera size={18} aria-hidden /> Record what stands now
      </PushButton>
      {looks.length === 0 && (
        <p className="text-quiet">
          No look yet. Set the controls as they are to be, record them here, and let a cue recall them.
        </p>
      )}
      <ul className="flex flex-col gap-2">
        {looks.map(({ part: { id, body } }) => (
          <li key={id} aria-label={`Look ${body.name}`} className="flex items-end gap-2">
            <EditField
              className="flex-1"
              label="Name"
              value={body.name}
              onCommit={(name) =>
                of(
                  "name",
                  change(`Rename ${body.name}`, "look", id, (before) => ({ ...before, name })),
                )
              }
            />
            <span className="pb-1.5 text-sm whitespace-nowrap text-quiet">
              {body.stands.length} {body.stands.length === 1 ? "control" : "controls"}
            </span>
            <button
              aria-label={`Record ${body.name} anew`}
              title="Record anew what stands now"
              className="pb-2 text-quiet"
              disabled={!live}
              onClick={() => record(id, body.name)}
            >
              <RefreshCw size={18} aria-hidden />
            </button>
            <button
              aria-label={`Remove ${body.name}`}
              title="Remove"
              className="pb-2 text-quiet"
              onClick={() => void report(remove(`Remove ${body.name}`, id))}
            >
              <Trash2 size={18} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
