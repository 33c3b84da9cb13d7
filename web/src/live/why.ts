/** Whose missing answer is asked about in this browser. */
import { create } from "zustand";

export interface Asked {
  of: "control" | "target";
  id: string;
}

export const useWhy = create<{ asked: Asked | null }>()(() => ({ asked: null }));

export const askWhy = (asked: Asked) => useWhy.setState({ asked });

export const closeWhy = () => useWhy.setState({ asked: null });
