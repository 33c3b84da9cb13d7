import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";
import { PushButton } from "./buttons";

interface Props {
  title: string;
  /** What will happen, before it does. */
  text: string;
  action: string;
  onConfirm: () => void;
  children: ReactNode;
}

/** A second step before something that others feel. */
export function Confirm({ title, text, action, onConfirm, children }: Props) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>{children}</AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 w-[34rem] -translate-1/2 rounded-lg border border-rule bg-raised p-6">
          <AlertDialog.Title className="text-xl font-bold">{title}</AlertDialog.Title>
          <AlertDialog.Description className="my-4">{text}</AlertDialog.Description>
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <PushButton>Cancel</PushButton>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <PushButton strong onClick={onConfirm}>
                {action}
              </PushButton>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
