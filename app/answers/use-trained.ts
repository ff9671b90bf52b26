/** Pairs of feed and answer that classes have trained, with the last day of each. */
import { useEffect, useState } from "react";
import type { Trained, TrainedText } from "#core/book/trained.ts";
import { ask } from "../workers/client.ts";

/** null while it is counted; `version` of the school's settings. */
export function useTrained(texts: readonly TrainedText[], version: number): Trained | null {
  const [trained, setTrained] = useState<Trained | null>(null);
  useEffect(() => {
    let alive = true;
    ask("trained", { texts }).then(
      (found) => alive && setTrained(found),
      () => undefined,
    );
    return () => {
      alive = false;
    };
  }, [texts, version]);
  return trained;
}
