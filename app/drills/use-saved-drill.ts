/** Makes a drill of a text and goes to its desk. */
import { useFetcher } from "react-router";

export function useSavedDrill() {
  const fetcher = useFetcher();
  const save = (text: string): void =>
    void fetcher.submit(
      { id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text },
      { method: "post", action: "/?index" },
    );
  return { save, busy: fetcher.state !== "idle" };
}
