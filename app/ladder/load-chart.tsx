/** Load of each rung in its parts, one column a rung. */
import { LOAD_PARTS } from "#core/customs/load-parts.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { ChartLater } from "../ui/chart-later.tsx";

/** From ink to paper, in the order of the parts. */
const SHADES = [0.95, 0.8, 0.66, 0.54, 0.43, 0.33, 0.24, 0.16];

interface ChartProps {
  readonly rungs: readonly { readonly view: ScoreView }[];
  /** Load that the last rung was asked to reach. */
  readonly goal: number;
}

export function LoadChart({ rungs, goal }: ChartProps) {
  const parts = LOAD_PARTS.filter((part) => rungs.some((r) => r.view.load.parts[part] > 0));
  return (
    <ChartLater
      label={`Load of each rung: ${rungs.map((r, i) => `${i + 1}: ${r.view.load.total.toFixed(1)}`).join(", ")}`}
      series={parts.map((part) => ({ name: part, data: rungs.map((r) => r.view.load.parts[part]) }))}
      shades={SHADES}
      categories={rungs.map((_, i) => (i === 0 ? "rung 1" : `${i + 1}`))}
      decimals={1}
      legend="right"
      line={{ at: goal, words: `goal ${goal.toFixed(1)}` }}
    />
  );
}
