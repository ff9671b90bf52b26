/** Rounds with how they went, as bars: seen clean, seen not clean, not seen. */
import type { Tally } from "#server/views.ts";
import { ChartLater } from "../ui/chart-later.tsx";
import { unseen, wentText } from "./tallies.ts";

/** Ink for what was clean, paler for what was not, hardly any for what nobody saw. */
const SHADES = [0.95, 0.5, 0.16];

interface WentChartProps {
  /** What the bars are. */
  readonly of: string;
  readonly rows: readonly (Tally & { readonly name: string })[];
  readonly bars: "upright" | "lying";
}

export const WentChart = ({ of, rows, bars }: WentChartProps) => (
  <ChartLater
    label={`${of}: ${rows.map((row) => `${row.name}: ${row.rounds}, ${wentText(row)}`).join("; ")}`}
    series={[
      { name: "seen clean", data: rows.map(({ clean }) => clean) },
      { name: "not clean", data: rows.map(({ open }) => open) },
      { name: "not seen", data: rows.map(unseen) },
    ]}
    shades={SHADES}
    categories={rows.map(({ name }) => name)}
    decimals={0}
    legend="top"
    bars={bars}
  />
);
