import { Dialog } from "radix-ui";
import { useRef, useState } from "react";
import { takeFile } from "../requests/shows";
import type { Preview, Problem } from "../api/types";
import { cancelWork, newWork } from "../api/work";
import { PushButton } from "../ui/buttons";
import { notify } from "../ui/notices";
import { Working } from "../ui/Working";

export interface FileInHand {
  text: string;
  preview: Preview;
}

/** What a file holds, and what to do with it; nothing has changed until a button is pressed. */
export function ImportDialog({ file, onClose }: { file: FileInHand; onClose: () => void }) {
  const { preview } = file;
  const [problems, setProblems] = useState<Problem[]>(preview.problems);
  const cancelled = useRef(false);
  const [work, setWork] = useState<string | null>(null);
  const take = async (onSameName: "REFUSE" | "KEEP_BOTH" | "REPLACE") => {
    const mine = newWork();
    setWork(mine);
    const done = await takeFile(file.text, onSameName, mine);
    setWork(null);
    if (cancelled.current)
      notify(
        done.show
          ? `It was too late to cancel: “${preview.name}” is imported`
          : (done.problems[0]?.message ?? ""),
      );
    if (done.problems.length && !cancelled.current) setProblems(done.problems);
    else onClose();
  };
  const leave = () => {
    if (work === null) return onClose();
    cancelled.current = true;
    void cancelWork(work);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && leave()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 w-[36rem] -translate-1/2 rounded-lg border border-rule bg-raised p-6">
          <Dialog.Title className="text-xl font-bold">
            {problems.length ? "This file cannot be imported" : `Import “${preview.name}”`}
          </Dialog.Title>
          <Dialog.Description asChild>
            <div className="my-4">
              {problems.length ? (
                <ul className="list-disc pl-5 text-fault">
                  {problems.slice(0, 8).map((problem, i) => (
                    <li key={i}>{problem.message}</li>
                  ))}
                </ul>
              ) : (
                <p>
                  {preview.targets} targets, {preview.pages} pages, {preview.controls} controls.
                  {preview.sameName &&
                    " There is a show of this name already. Keep both, or replace what is in it? Replacing can be undone."}
                </p>
              )}
              {problems.length > 0 && <p className="mt-3 text-quiet">No changes.</p>}
            </div>
          </Dialog.Description>
          {work && <Working what="Importing" work={work} cancels={false} />}
          <div className="mt-2 flex justify-end gap-2">
            <PushButton onClick={leave}>{problems.length ? "Close" : "Cancel"}</PushButton>
            {problems.length === 0 && preview.sameName && (
              <>
                <PushButton disabled={work !== null} onClick={() => void take("REPLACE")}>
                  Replace
                </PushButton>
                <PushButton strong disabled={work !== null} onClick={() => void take("KEEP_BOTH")}>
                  Keep both
                </PushButton>
              </>
            )}
            {problems.length === 0 && !preview.sameName && (
              <PushButton strong disabled={work !== null} onClick={() => void take("REFUSE")}>
                Import
              </PushButton>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
