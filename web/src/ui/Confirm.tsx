import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";
import { PushButton } from "./buttons";

interface AskProps {
  title: string;
  /** What will happen, before it does. */
  text: ReactNode;
  /** The word for not doing it. */
  cancel?: string;
  /** The ways to do it; the last one is the usual. */
  actions: { words: string; act: () => void }[];
}

/** The second step itself: a title, what will happen, and the ways to go on. Stands within an AlertDialog.Root. */
export function Ask({ title, text, cancel = "Cancel", actions }: AskProps) {
  return (
    <AlertDialog.Portal>
      <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
      <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 w-[36rem] max-w-[94vw] -translate-1/2 rounded-lg border border-rule bg-raised p-6">
        <AlertDialog.Title className="text-xl font-bold">{title}</AlertDialog.Title>
        <AlertDialog.Description asChild>
          <div className="my-4 max-h-[60vh] overflow-auto">{text}</div>
        </AlertDialog.Description>
        <div className="flex justify-end gap-2">
          <AlertDialog.Cancel asChild>
            <PushButton>{cancel}</PushButton>
          </AlertDialog.Cancel>
          {actions.map(({ words, act }, i) => (
            <AlertDialog.Action key={words} asChild>
              <PushButton strong={i === actions.length - 1} onClick={act}>
                {words}
              </PushButton>
            </AlertDialog.Action>
          ))}
        </div>
      </AlertDialog.Content>
    </AlertDialog.Portal>
  );
}

interface Props {
  title: string;
  text: ReactNode;
  action: string;
  onConfirm: () => void;
  children: ReactNode;
}

/** A second step before something that others feel. */
export function Confirm({ title, text, action, onConfirm, children }: Props) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>{children}</AlertDialog.Trigger>
      <Ask title={title} text={text} actions={[{ words: action, act: onConfirm }]} />
    </AlertDialog.Root>
  );
}
