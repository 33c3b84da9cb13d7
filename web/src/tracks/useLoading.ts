import { useRef, useState } from "react";
import type { SoundState } from "../api/types";
import { dropSound, loadSound, soundState } from "../requests/tracks";

const LOOKS_MS = 200;

/** Loads a sound file and waits until the server has decoded it, telling how far it is; both can be cancelled. */
export function useLoading() {
  const [words, setWords] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = useRef(new AbortController());
  const load = async (file: File): Promise<SoundState | null> => {
    setProblem(null);
    stop.current = new AbortController();
    const { signal } = stop.current;
    setWords("Sending the file …");
    try {
      let state = await loadSound(
        file,
        (share) => setWords(`Sending the file, ${Math.round(share * 100)} %`),
        signal,
      );
      let told = false;
      while (state.problem === null && state.seconds === null) {
        setWords(`Reading its sound, ${Math.round(state.progress * 100)} %`);
        if (signal.aborted && !told) {
          told = true;
          await dropSound(state.hash);
        }
        await new Promise((resolve) => setTimeout(resolve, LOOKS_MS));
        state = await soundState(state.hash);
      }
      setProblem(state.problem);
      return state.problem === null ? state : null;
    } catch (e) {
      setProblem(e instanceof Error ? e.message : "The server does not answer");
      return null;
    } finally {
      setWords(null);
    }
  };
  return { load, cancel: () => stop.current.abort(), words, problem };
}
