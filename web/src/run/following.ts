/** Whether this device follows targets that say which page is to be shown. It is so on this device alone. */
import { create } from "zustand";

const KEY = "imperan.follows";

const useStore = create<{ follows: boolean }>()(() => ({ follows: localStorage.getItem(KEY) !== "no" }));

function setFollows(follows: boolean): void {
  localStorage.setItem(KEY, follows ? "yes" : "no");
  useStore.setState({ follows });
}

export function useFollowing() {
  return { follows: useStore((s) => s.follows), setFollows };
}
