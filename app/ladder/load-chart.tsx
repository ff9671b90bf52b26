/** Load of each rung in its parts, one column a rung. Browser only. */
import Box from "@mui/material/Box";
import { useColorScheme } from "@mui/material/styles";
import type { ApexOptions } from "apexcharts";
import ReactApexChart from "react-apexcharts";
import { LOAD_PARTS } from "#core/check/load.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { pageNonce } from "../ui/nonce.ts";
import { COLOURS, FONTS } from "../ui/theme.ts";

/** The package is no module of its own kind: what is imported holds the component, or is it. */
const Chart = (ReactApexChart as unknown as { default?: typeof ReactApexChart }).default ?? ReactApexChart;

/** A shade for each part, from ink to paper: the legend and the order tell them apart as well. */
const SHADES = [0.95, 0.8, 0.66, 0.54, 0.43, 0.33, 0.24, 0.16];
const HEIGHT = 230;

interface ChartProps {
  readonly rungs: readonly { readonly view: ScoreView }[];
  /** Load that the last rung was asked to reach. */
  readonly goal: number;
}

export default function LoadChart({ rungs, goal }: ChartProps) {
  const { mode, systemMode } = useColorScheme();
  const dark = (mode === "system" ? systemMode : mode) === "dark";
  const c = COLOURS[dark ? "dark" : "light"];
  const parts = LOAD_PARTS.filter((part) => rungs.some((r) => r.view.load.parts[part] > 0));
  const series = parts.map((part) => ({ name: part, data: rungs.map((r) => r.view.load.parts[part]) }));
  const nonce = pageNonce();
  const options: ApexOptions = {
    chart: {
      type: "bar",
      stacked: true,
      toolbar: { show: false },
      animations: { enabled: false },
      fontFamily: FONTS.text,
      background: "transparent",
      ...(nonce ? { nonce } : {}),
    },
    colors: parts.map((_, i) => mix(c.accent, c.paper, SHADES[i] ?? 0.16)),
    theme: { mode: dark ? "dark" : "light" },
    dataLabels: { enabled: false },
    stroke: { show: true, width: 1, colors: [c.paper] },
    plotOptions: { bar: { columnWidth: "62%" } },
    xaxis: {
      categories: rungs.map((_, i) => (i === 0 ? "rung 1" : `${i + 1}`)),
      labels: { style: { colors: c.quiet, fontSize: "14px" } },
      axisBorder: { color: c.line },
      axisTicks: { show: false },
    },
    yaxis: {
      max: (most: number) => Math.ceil(Math.max(most, goal)) + 1,
      labels: { style: { colors: c.quiet, fontSize: "14px" }, formatter: (v) => v.toFixed(0) },
    },
    annotations: {
      yaxis: [
        {
          y: goal,
          borderColor: c.ink,
          strokeDashArray: 4,
          label: {
            text: `goal ${goal.toFixed(1)}`,
            position: "left",
            textAnchor: "start",
            style: { color: c.ink, background: c.paper, fontSize: "14px" },
          },
        },
      ],
    },
    grid: { borderColor: c.line },
    legend: { position: "right", fontSize: "14px", labels: { colors: c.ink } },
    tooltip: { theme: dark ? "dark" : "light", y: { formatter: (v) => v.toFixed(1) } },
  };
  return (
    <Box
      role="img"
      aria-label={`Load of each rung: ${rungs.map((r, i) => `${i + 1}: ${r.view.load.total.toFixed(1)}`).join(", ")}`}
      sx={{ px: { xs: 1, sm: 2 } }}
    >
      <Chart key={dark ? "dark" : "light"} type="bar" height={HEIGHT} series={series} options={options} />
    </Box>
  );
}

/** A colour between two, `share` of the first. */
function mix(one: string, two: string, share: number): string {
  const part = (hex: string, i: number) => Number.parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16);
  const channel = (i: number) => Math.round(part(one, i) * share + part(two, i) * (1 - share));
  return `#${[0, 1, 2].map((i) => channel(i).toString(16).padStart(2, "0")).join("")}`;
}
