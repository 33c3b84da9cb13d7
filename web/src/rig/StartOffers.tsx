import { BellRing } from "lucide-react";
import { AlertDialog } from "radix-ui";
import { command } from "../live/connection";
import { partsOf, useShow } from "../live/show";
import { Ask } from "../ui/Confirm";

/** Targets that are back, for the first time or again. */
export function useBack() {
  const links = useShow((s) => s.links);
  const parts = useShow((s) => s.parts);
  return partsOf(parts, "target").filter(({ part }) => links.get(part.id)?.startOffered);
}

/** The start lists of targets that are back are offered, and sent by nobody else. */
export function StartOffers() {
  const back = useBack();
  return (
    <div
      role="status"
      aria-label="Targets that are back"
      className={`flex gap-2 px-2 max-xl:px-0 ${back.length ? "min-w-24 flex-1 overflow-x-auto max-xl:min-w-11 max-sm:flex-none" : "min-w-0 flex-1"}`}
    >
      {back.map(({ part }) => (
        <AlertDialog.Root key={part.id}>
          <AlertDialog.Trigger
            className="min-h-11 min-w-11 flex-none self-center rounded bg-caution px-3 py-1.5 font-bold text-ink max-sm:px-2"
            title={`${part.body.name} is back: send start list …`}
          >
            <BellRing size={18} className="inline" aria-hidden />{" "}
            <span className="max-xl:sr-only">{part.body.name}</span>
            <span className="max-2xl:sr-only"> is back …</span>
          </AlertDialog.Trigger>
          <Ask
            title={`${part.body.name} is back: send its start list?`}
            text={
              <>
                It may have just been switched on. These would be sent, in this order:
                <ol className="mt-2 font-mono text-sm">
                  {part.body.startList.map((line, i) => (
                    <li key={i}>{line}</li>
                  ))}
                </ol>
              </>
            }
            cancel="Decide later"
            actions={[
              { words: "Do not send", act: () => command({ kind: "leave", target: part.id }) },
              { words: "Send start list", act: () => command({ kind: "start", target: part.id }) },
            ]}
          />
        </AlertDialog.Root>
      ))}
    </div>
  );
}
