import { Keyboard, X } from "lucide-react";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { bringBack, takeBack } from "./takeBack";
import { isMeantElsewhere } from "../ui/keys";
import { SHORTCUTS } from "./shortcuts";

/** The list of keys and gestures; and the keys that hold at every station. */
export function Shortcuts() {
  const [open, setOpen] = useState(false);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isMeantElsewhere(e)) return;
      const key = e.key.toLowerCase();
      if (e.ctrlKey || e.metaKey) {
        if (key === "z") void (e.shiftKey ? bringBack() : takeBack());
        else if (key === "y") void bringBack();
        else return;
      } else if (key === "?") setOpen(true);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label="Keys and gestures"
        title="Keys and gestures (?)"
        className="rounded p-2 text-quiet"
      >
        <Keyboard size={20} aria-hidden />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[64rem] max-w-[96vw] -translate-1/2 overflow-auto rounded-lg border border-rule bg-raised p-5"
        >
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-xl font-bold">Keys and gestures</Dialog.Title>
            <Link to="/glossary" className="mr-4 ml-auto underline" onClick={() => setOpen(false)}>
              Words used here
            </Link>
            <Dialog.Close aria-label="Close" className="p-1">
              <X size={20} aria-hidden />
            </Dialog.Close>
          </div>
          <div className="columns-2 gap-8">
            {SHORTCUTS.map(({ where, list }) => (
              <section key={where} className="mb-4">
                <h3 className="border-b border-rule pb-1 font-bold">{where}</h3>
                <dl>
                  {list.map(({ keys, what }) => (
                    <div key={keys} className="grid grid-cols-[1fr_1.1fr] gap-3 break-inside-avoid py-1">
                      <dt className="font-bold">{keys}</dt>
                      <dd className="text-quiet">{what}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
