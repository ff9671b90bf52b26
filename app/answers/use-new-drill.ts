/** Makes a drill of a pair, or one that fills a hole, and goes to its desk. */
import { useSavedDrill } from "../drills/use-saved-drill.ts";
import { ask } from "../workers/client.ts";

export function useNewDrill() {
  const { save } = useSavedDrill();
  return (feed: string, answer: string | null, side: "left" | "right") =>
    void ask("bookDrill", { feed, answer, side }).then(save);
}
