import { PushButton } from "../ui/buttons";

/** How far a sound that is loaded is, and the way out. */
export function LoadingLine({ words, cancel }: { words: string; cancel: () => void }) {
  return (
    <span className="flex items-center gap-2">
      <span role="status" className="text-quiet">
        {words}
      </span>
      <PushButton onClick={cancel}>Cancel</PushButton>
    </span>
  );
}
