/** A beat for flows and counts: its pace, and the pace it rises to. */
import type { NO_SOUNDS } from "#core/floor/sounds.ts";
import { Choice } from "../ui/choice.tsx";

/** No beat, or none to rise to. */
export const NO_BEAT = 0;
const BEATS = [NO_BEAT, 40, 50, 60, 70, 80, 90, 100, 110, 120, 140, 160];
const BAR = 4;

/** Beats a minute at the start of a round and at its end. */
export interface Beat {
  readonly from: number;
  readonly to: number;
}

export const metronomeOf = ({ from, to }: Beat): (typeof NO_SOUNDS)["metronome"] =>
  from === NO_BEAT ? null : { from, to: to === NO_BEAT ? from : to, bar: BAR };

interface BeatProps {
  readonly beat: Beat;
  readonly onChange: (part: Partial<Beat>) => void;
}

export function BeatChoice({ beat, onChange }: BeatProps) {
  const beats = BEATS.map((n) => [n, n === NO_BEAT ? "none" : `${n} a minute`] as const);
  return (
    <>
      <Choice
        label="Beat"
        value={beat.from}
        options={beats}
        onChange={(from) => onChange({ from })}
        sx={{ minWidth: 130 }}
      />
      {beat.from !== NO_BEAT && (
        <Choice
          label="rising to"
          value={beat.to}
          options={beats}
          onChange={(to) => onChange({ to })}
          sx={{ minWidth: 130 }}
        />
      )}
    </>
  );
}
