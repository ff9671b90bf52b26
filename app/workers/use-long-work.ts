/** Long work of the worker for a screen: what came out, the share done, cancel, again. */
import { useEffect, useState } from "react";
import { ask } from "./client.ts";
import type { Work, WorkKind } from "./protocol.ts";

export interface LongWork<Result> {
  readonly result: Result | null;
  /** 0 to 1 while it runs; null when it does not. */
  readonly share: number | null;
  readonly trouble: string | null;
  readonly cancel: () => void;
  readonly again: () => void;
}

/**
 * Asks again whenever the payload or `version` changes; an ask that was overtaken is taken back and
 * leaves the progress of the newer one alone. `payload` null: nothing is asked yet.
 */
export function useLongWork<K extends WorkKind>(
  kind: K,
  payload: Work[K]["ask"] | null,
  version: number | string = 0,
): LongWork<Work[K]["answer"]> {
  const [result, setResult] = useState<Work[K]["answer"] | null>(null);
  const [share, setShare] = useState<number | null>(payload === null ? null : 0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [stop, setStop] = useState<AbortController | null>(null);
  const [turn, setTurn] = useState(0);
  const wanted = JSON.stringify(payload);
  useEffect(() => {
    const asked = JSON.parse(wanted) as Work[K]["ask"] | null;
    if (asked === null) return;
    const control = new AbortController();
    let overtaken = false;
    setStop(control);
    setShare(0);
    setTrouble(null);
    ask(kind, asked, { progress: setShare, signal: control.signal }).then(
      (found) => {
        if (overtaken) return;
        setResult(() => found);
        setShare(null);
      },
      (error: Error) => {
        if (overtaken) return;
        setShare(null);
        if (error.name !== "AbortError") setTrouble(error.message);
      },
    );
    return () => {
      overtaken = true;
      control.abort();
    };
  }, [kind, wanted, version, turn]);
  return { result, share, trouble, cancel: () => stop?.abort(), again: () => setTurn(turn + 1) };
}
