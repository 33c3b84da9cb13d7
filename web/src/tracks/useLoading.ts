import { useState } from "react";
import type { SoundState } from "../api/types";
import { loadSound, soundState } from "../requests/tracks";

const LOOKS_MS = 200;

/** Loads a sound file and waits until the server has decoded it, telling how far it is. */
export function useLoading() {
  const [words, setWords] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const load = async (file: File): Promise<SoundState | null> => {
    setProblem(null);
    setWords("Sending the file …");
    try {
      let state = await loadSound(file, (share) =>
        setWords(`Sending the file, ${Math.round(share * 100)} %`),
      );
      while (state.problem === null && state.seconds === null) {
        setWords(`Reading its sound, ${Math.round(state.progress * 100)} %`);
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
  return { load, words, problem };
}
