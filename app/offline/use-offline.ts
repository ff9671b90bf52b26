/** Keeps the page that is open for when there is no network. */
import { useEffect } from "react";

export function useOffline(): void {
  useEffect(() => {
    if (!("serviceWorker" in navigator) || import.meta.env.DEV) return;
    const files = performance
      .getEntriesByType("resource")
      .map(({ name }) => name)
      .filter((name) => name.startsWith(`${location.origin}/assets/`));
    void navigator.serviceWorker
      .register("/sw.js")
      .then(() => navigator.serviceWorker.ready)
      .then(({ active }) => active?.postMessage([`${location.origin}${location.pathname}`, ...files]))
      // A browser that keeps nothing shows the class all the same, with a network.
      .catch(() => undefined);
  }, []);
}
