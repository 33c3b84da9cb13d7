import { useEffect } from "react";

/** Keeps the screen awake while a page is played, where the browser can (not on plain addresses of other machines). */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const take = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      lock = await navigator.wakeLock.request("screen");
      if (gone) void lock.release();
    };
    const takeQuietly = () => void take().catch(() => undefined);
    takeQuietly();
    document.addEventListener("visibilitychange", takeQuietly);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", takeQuietly);
      void lock?.release();
    };
  }, []);
}
