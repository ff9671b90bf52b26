/** Stacked bars in the colours of the page, upright or lying. Browser only: loaded when it is shown. */
import Box from "@mui/material/Box";
import { useColorScheme } from "@mui/material/styles";
import type { ApexOptions } from "apexcharts";
import ReactApexChart from "react-apexcharts";
import { axisTo } from "./axis.ts";
import { pageNonce } from "./nonce.ts";
import { COLOURS, FONTS } from "./theme.ts";

/** The package is no module of its own kind: what is imported holds the component, or is it. */
const Chart = (ReactApexChart as unknown as { default?: typeof ReactApexChart }).default ?? ReactApexChart;

const HEIGHT = 230;
/** Of a bar that lies, and of the axis and the legend, px. */
const LYING = 30;
const AROUND = 90;
const LYING_NAME = 220;

interface BarChartProps {
  /** All that it shows, in words. */
  readonly label: string;
  readonly series: readonly { readonly name: string; readonly data: readonly number[] }[];
  /** Shade of each series from paper (0) to ink (1): the legend and the order tell them apart as well. */
  readonly shades: readonly number[];
  readonly categories: readonly string[];
  readonly decimals: number;
  readonly legend: "right" | "top";
  /** upright: one column each; lying: one row each, for long names. */
  readonly bars?: "upright" | "lying";
  /** A line across. */
  readonly line?: { readonly at: number; readonly words: string };
}

export default function BarChart({
  label,
  series,
  shades,
  categories,
  decimals,
  legend,
  line,
  bars = "upright",
}: BarChartProps) {
  const { mode, systemMode } = useColorScheme();
  const dark = (mode === "system" ? systemMode : mode) === "dark";
  const c = COLOURS[dark ? "dark" : "light"];
  const nonce = pageNonce();
  const columns = categories.map((_, i) => series.reduce((sum, { data }) => sum + (data[i] ?? 0), 0));
  const lying = bars === "lying";
  const axis = axisTo(Math.max(line?.at ?? 0, ...columns), 10 ** -decimals);
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
    colors: series.map((_, i) => mix(c.accent, c.paper, shades[i] ?? 0.16)),
    theme: { mode: dark ? "dark" : "light" },
    dataLabels: { enabled: false },
    stroke: { show: true, width: 1, colors: [c.paper] },
    plotOptions: { bar: { columnWidth: "62%", barHeight: "62%", horizontal: lying } },
    xaxis: {
      categories: [...categories],
      ...(lying ? { min: 0, max: axis.max, tickAmount: axis.max / axis.step } : {}),
      labels: {
        style: { colors: c.quiet, fontSize: "14px" },
        ...(lying ? { formatter: (v: string) => Number(v).toFixed(0) } : {}),
      },
      axisBorder: { color: c.line },
      axisTicks: { show: false },
    },
    yaxis: lying
      ? { labels: { maxWidth: LYING_NAME, style: { colors: c.ink, fontSize: "14px" } } }
      : {
          min: 0,
          max: axis.max,
          stepSize: axis.step,
          labels: { style: { colors: c.quiet, fontSize: "14px" }, formatter: (v) => v.toFixed(axis.step < 1 ? 1 : 0) },
        },
    annotations: { yaxis: line ? [lineAcross(line, c)] : [] },
    grid: { borderColor: c.line },
    legend: { position: legend, fontSize: "14px", labels: { colors: c.ink } },
    tooltip: { theme: dark ? "dark" : "light", y: { formatter: (v) => v.toFixed(decimals) } },
  };
  return (
    <Box role="img" aria-label={label} sx={{ px: { xs: 1, sm: 2 } }}>
      <Chart
        key={dark ? "dark" : "light"}
        type="bar"
        height={lying ? AROUND + LYING * categories.length : HEIGHT}
        series={series.map(({ name, data }) => ({ name, data: [...data] }))}
        options={options}
      />
    </Box>
  );
}

/** The line across a chart, with its words. */
const lineAcross = (
  { at, words }: NonNullable<BarChartProps["line"]>,
  { ink, paper }: { readonly ink: string; readonly paper: string },
): YAxisAnnotations => ({
  y: at,
  borderColor: ink,
  strokeDashArray: 4,
  label: {
    text: words,
    position: "left",
    textAnchor: "start",
    style: { color: ink, background: paper, fontSize: "14px" },
  },
});

/** A colour between two, `share` of the first. */
function mix(one: string, two: string, share: number): string {
  const part = (hex: string, i: number) => Number.parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16);
  const channel = (i: number) => Math.round(part(one, i) * share + part(two, i) * (1 - share));
  return `#${[0, 1, 2].map((i) => channel(i).toString(16).padStart(2, "0")).join("")}`;
}
