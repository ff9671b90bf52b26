/** Keeps the screen on for what is looked at from afar. */
import { useEffect } from "react";

/** The screen stays on while the page is seen, where the device lets it. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const hold = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      // Refused on a low battery: the page is seen all the same.
      lock = await navigator.wakeLock.request("screen").catch(() => null);
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
}
