/** Themes with their rounds on either side and how they went, as bars and as a table. */
import type { ThemeTally } from "#server/views.ts";
import { DataTable } from "../ui/data-table.tsx";
import { longDate } from "../ui/dates.ts";
import { sideMissing, themeRows, wentText } from "./tallies.ts";
import { WentChart } from "./went-chart.tsx";

/** Most themes that the bars show. */
const BARS = 12;

export function ThemeTable({ themes }: { readonly themes: readonly ThemeTally[] }) {
  const rows = themeRows(themes);
  return (
    <>
      <WentChart
        of="Rounds by theme"
        bars="lying"
        rows={rows.slice(0, BARS).map((row) => ({ ...row, name: row.theme }))}
      />
      <DataTable
        label="Theme by theme as a table"
        heads={["Theme", "Rounds", "Left lead", "Right lead", "How it went", "Last"]}
        rows={rows.map((row) => {
          const missing = sideMissing(row);
          return {
            key: row.theme,
            cells: [
              row.theme,
              row.rounds,
              missing === "left" ? "never" : row.left,
              missing === "right" ? "never" : row.right,
              wentText(row),
              longDate(row.last),
            ],
          };
        })}
      />
    </>
  );
}
