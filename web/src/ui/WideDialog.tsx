import { Dialog } from "radix-ui";
import { type ReactNode, useState } from "react";
import type { Problem } from "../api/types";
import { PushButton } from "./buttons";
import { Working } from "./Working";

interface Props {
  title: string;
  onClose: () => void;
  /** The word for doing it. */
  action: string;
  /** Whether it was looked at and can be done. */
  ready: boolean;
  /** Does it; what speaks against it is said here, and nothing that was put in is lost. */
  act: () => Promise<Problem[]>;
  /** Whether it stays open when that is done, because what came of it is read here. */
  stays?: boolean;
  children: ReactNode;
}

/** Something larger that is looked at before it is done. */
export function WideDialog({ title, onClose, action, ready, act, stays, children }: Props) {
  const [doing, setDoing] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const go = async () => {
    setDoing(true);
    const found = await act().finally(() => setDoing(false));
    setProblems(found);
    if (found.length === 0 && !stays) onClose();
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[52rem] max-w-[96vw] -translate-1/2 flex-col gap-3 rounded-lg border border-rule bg-raised p-6"
        >
          <Dialog.Title className="text-xl font-bold">{title}</Dialog.Title>
          {children}
          {problems.length > 0 && (
            <ul role="alert" className="max-h-32 overflow-auto text-fault">
              {problems.map((problem, i) => (
                <li key={i}>{problem.message}</li>
              ))}
            </ul>
          )}
          {doing && <Working what="Working" />}
          <div className="flex justify-end gap-2">
            <PushButton onClick={onClose}>{stays ? "Close" : "Cancel"}</PushButton>
            <PushButton strong disabled={!ready || doing} onClick={() => void go()}>
              {action}
            </PushButton>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
