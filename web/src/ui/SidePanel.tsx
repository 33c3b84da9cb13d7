import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

interface Props {
  title: string;
  mono?: boolean;
  /** For what is a table. */
  wide?: boolean;
  onClose: () => void;
  children: ReactNode;
}

/** Everything of one thing, beside the list that it is chosen from. */
export function SidePanel({ title, mono, wide, onClose, children }: Props) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed inset-y-0 right-0 z-50 flex max-w-full flex-col gap-3 overflow-auto border-l border-rule bg-panel p-5 ${wide ? "w-[54rem]" : "w-[30rem]"}`}
        >
          <div className="flex items-start gap-2">
            <Dialog.Title
              className={`min-w-0 flex-1 text-lg font-bold break-words ${mono ? "font-mono" : ""}`}
            >
              {title}
            </Dialog.Title>
            <Dialog.Close aria-label="Close" className="p-1 text-quiet hover:text-bone">
              <X size={20} aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
