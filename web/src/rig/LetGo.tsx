import { AlertDialog } from "radix-ui";
import { Ask } from "../ui/Confirm";
import { letGo, useLettingGo, withStartList } from "./gates";

/** Before targets that have a start list are let go: what of it would be sent, and whether it is. */
export function LetGo() {
  const asked = useLettingGo((s) => s.asked);
  if (!asked) return null;
  const { target } = asked;
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && useLettingGo.setState({ asked: null })}>
      <Ask
        title="Release, and send the start list?"
        text={withStartList(target).map(({ part }) => (
          <div key={part.id} className="mb-2">
            <b>{part.body.name}</b> would be sent:
            <ol className="font-mono text-sm">
              {part.body.startList.map((line, i) => (
                <li key={i}>{line}</li>
              ))}
            </ol>
          </div>
        ))}
        cancel="Stay held"
        actions={[
          { words: "Release only", act: () => letGo(target, false) },
          { words: "Release and send", act: () => letGo(target, true) },
        ]}
      />
    </AlertDialog.Root>
  );
}
