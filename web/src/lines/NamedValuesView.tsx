import { Plus, Trash2 } from "lucide-react";
import { Link } from "react-router";
import type { NamedValue } from "../api/types";
import { select } from "../layout/selection";
import { type HeldOf, partsOf, useShow } from "../live/show";
import { wayTo } from "../live/whereIs";
import { change, edit, remove } from "../requests/edits";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { of } from "../ui/fields";
import { report } from "../ui/notices";
import { type User, usersOf } from "./usersOf";

/** Values with names, which messages say in several places. */
export function NamedValuesView() {
  const parts = useShow((s) => s.parts);
  const values = partsOf(parts, "value");
  const add = () => {
    const order = Math.max(0, ...values.map((v) => v.part.order)) + 1;
    const body: NamedValue = { kind: "value", name: `Value ${values.length + 1}`, text: "1", note: "" };
    void report(
      edit("Add a named value", [
        { step: "put", basedOn: 0, part: { id: crypto.randomUUID(), parent: null, order, body } },
      ]),
    );
  };
  return (
    <main className="mx-auto flex w-full max-w-[84rem] min-h-0 flex-1 flex-col gap-3 overflow-auto p-4 max-md:px-2">
      <header className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-bold">Named values</h1>
        <PushButton strong onClick={add}>
          <Plus size={18} aria-hidden /> Add value
        </PushButton>
      </header>
      <p className="text-lg text-quiet">
        {values.length === 0
          ? "No named value yet. Add one for what several messages say, such as the number of the piece that plays: then it is changed in one place."
          : "An argument takes one at the control: in its path, under Message, choose “named value”."}
      </p>
      <ul className="flex flex-col gap-2">
        {values.map((held) => (
          <ValueRow key={held.part.id} held={held} users={usersOf(parts, held.part.id)} />
        ))}
      </ul>
    </main>
  );
}

function ValueRow({ held, users }: { held: HeldOf<NamedValue>; users: User[] }) {
  const { id, body } = held.part;
  const parts = useShow((s) => s.parts);
  const put = (field: string, update: Partial<NamedValue>) =>
    of(
      field,
      change(`Change ${body.name}`, "value", id, (before) => ({ ...before, ...update })),
    );
  return (
    <li
      aria-label={`Value ${body.name}`}
      className="grid grid-cols-[14rem_14rem_1fr_1fr_auto] items-start gap-3 rounded border border-rule bg-panel p-3 max-lg:grid-cols-2"
    >
      <EditField label="Name" value={body.name} onCommit={(name) => put("name", { name })} />
      <EditField label="Is" mono value={body.text} onCommit={(text) => put("text", { text })} />
      <EditField label="Note" long value={body.note} onCommit={(note) => put("note", { note })} />
      <p className="text-sm text-quiet">
        {users.length === 0 ? "Nothing sends it yet." : "Sent by "}
        {users.map((user, i) => (
          <span key={user.id}>
            {i > 0 && ", "}
            <Link
              className="text-bone underline"
              to={wayTo(user.id, parts) ?? "/layout"}
              onClick={() => select(user.id)}
            >
              {user.name}
            </Link>
          </span>
        ))}
      </p>
      <button
        aria-label={`Remove ${body.name}`}
        title={users.length > 0 ? "It is sent: what sends it will say that it is gone" : "Remove"}
        className="justify-self-end p-1.5 text-quiet"
        onClick={() => void report(remove(`Remove ${body.name}`, id))}
      >
        <Trash2 size={18} aria-hidden />
      </button>
    </li>
  );
}
