/** What the worker answers to one question, for as long as the question stands. */
import { useEffect, useState } from "react";
import type { Work, WorkKind } from "./protocol.ts";
import { ask } from "./client.ts";

/** null until it has answered; `payload` is asked anew when it is another object, or the school's settings another `version`. */
export function useAnswer<K extends WorkKind>(
  kind: K,
  payload: Work[K]["ask"],
  version: number,
): Work[K]["answer"] | null {
  const [answer, setAnswer] = useState<Work[K]["answer"] | null>(null);
  useEffect(() => {
    let alive = true;
    ask(kind, payload).then(
      (found) => alive && setAnswer(found),
      () => undefined,
    );
    return () => {
      alive = false;
    };
  }, [kind, payload, version]);
  return answer;
}
