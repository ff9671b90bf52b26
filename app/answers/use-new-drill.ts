/** Makes a drill of a pair, or one that fills a hole, and goes to its desk. */
import { useFetcher } from "react-router";
import { ask } from "../workers/client.ts";

export function useNewDrill() {
  const fetcher = useFetcher();
  return (feed: string, answer: string | null, side: "left" | "right") =>
    void ask("bookDrill", { feed, answer, side }).then((text) =>
      fetcher.submit(
        { id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text },
        { method: "post", action: "/?index" },
      ),
    );
}
