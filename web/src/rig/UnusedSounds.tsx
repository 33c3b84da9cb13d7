import { useEffect, useState } from "react";
import type { UnusedSound } from "../api/types";
import { dropSound, unusedSounds } from "../requests/tracks";
import { PushButton } from "../ui/buttons";

const size = (bytes: number) =>
  bytes >= 1 << 20 ? `${(bytes / (1 << 20)).toFixed(1)} MiB` : `${Math.ceil(bytes / 1024)} KiB`;

/** Sound files that take room on this machine, and that no show can come back to. */
export function UnusedSounds() {
  const [unused, setUnused] = useState<UnusedSound[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let here = true;
    unusedSounds().then(
      (found) => here && setUnused(found),
      (e: Error) => here && setProblem(e.message),
    );
    return () => {
      here = false;
    };
  }, [asked]);
  const drop = async (hash: string) => {
    setProblem(await dropSound(hash));
    setAsked(asked + 1);
  };
  return (
    <section className="mt-6" aria-label="Unused sounds">
      <h2 className="mb-1 text-lg font-bold">Unused sounds</h2>
      {unused?.length === 0 && (
        <p className="text-quiet">
          Every sound on this machine is used by a show, or was and can be brought back. Sounds that nothing
          uses any more are listed here and can be deleted.
        </p>
      )}
      {unused === null && !problem && <p className="text-quiet">Looking through the shows …</p>}
      <ul className="flex flex-col gap-2">
        {unused?.map((sound) => (
          <li
            key={sound.hash}
            className="flex flex-wrap items-center gap-3 rounded border border-rule px-3 py-2"
          >
            <span className="min-w-0 flex-1 truncate">{sound.name}</span>
            <span className="text-quiet">
              {size(sound.bytes)}, {Math.round(sound.seconds)} s
            </span>
            <PushButton aria-label={`Delete ${sound.name}`} onClick={() => void drop(sound.hash)}>
              Delete
            </PushButton>
          </li>
        ))}
      </ul>
      {problem && (
        <p role="alert" className="mt-2 text-fault">
          {problem}
        </p>
      )}
    </section>
  );
}
