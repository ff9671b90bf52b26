/** What the worker answers to one question, for as long as the question stands. */
import { useEffect, useState } from "react";
import type { Work, WorkKind } from "./protocol.ts";
import { ask } from "./client.ts";

interface Answered<K extends WorkKind> {
  /** null until the first answer is there; then the last one, until the next is. */
  readonly answer: Work[K]["answer"] | null;
  readonly trouble: string | null;
}

/** Asks again when `payload` is another object, or the school's settings another `version`. */
export function useAnswer<K extends WorkKind>(kind: K, payload: Work[K]["ask"], version = 0): Answered<K> {
  const [answer, setAnswer] = useState<Work[K]["answer"] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let alive = true;
    ask(kind, payload).then(
      (found) => {
        if (!alive) return;
        setAnswer(found);
        setTrouble(null);
      },
      (error: Error) => alive && setTrouble(error.message),
    );
    return () => {
      alive = false;
    };
  }, [kind, payload, version]);
  return { answer, trouble };
}
