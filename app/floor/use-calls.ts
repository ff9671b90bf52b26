/** The calls of a round for the ear: the same as on the printed card. */
import { useEffect, useMemo, useState } from "react";
import { CALL_DEFAULTS, callRound, callsWithin, type CallLabel } from "#core/calls/calls.ts";
import type { NO_SOUNDS } from "#core/floor/sounds.ts";
import { ask } from "../workers/client.ts";

interface Wanted {
  /** Of the drill that is called; null: nothing is. */
  readonly text: string | null;
  /** Length of the round, and until roles change, s. */
  readonly seconds: number;
  readonly change: number | null;
  /** Another order for each round. */
  readonly seed: number;
  readonly metronome: (typeof NO_SOUNDS)["metronome"];
}

export function useCalls({ text, seconds, change, seed, metronome }: Wanted): typeof NO_SOUNDS {
  const [labels, setLabels] = useState<readonly CallLabel[]>([]);
  useEffect(() => {
    let alive = true;
    setLabels([]);
    if (text !== null)
      void ask("drillCalls", { text }).then(
        ({ choices }) => alive && setLabels(choices[0]?.labels ?? []),
        // Without calls the clock goes on all the same.
        () => undefined,
      );
    return () => {
      alive = false;
    };
  }, [text]);
  return useMemo(() => {
    const options = { ...CALL_DEFAULTS, labels, seed, switchEvery: change };
    const made = labels.length > 1 ? callRound({ ...options, count: callsWithin(seconds, options) }) : null;
    return { calls: made?.ok ? made.round.items : [], metronome };
  }, [labels, seconds, change, seed, metronome]);
}
