/** A chart whose package is loaded when it is first shown; its place is kept meanwhile. */
import Box from "@mui/material/Box";
import { lazy, Suspense, type ComponentProps } from "react";

const BarChart = lazy(() => import("./bar-chart.tsx"));

export const ChartLater = (props: ComponentProps<typeof BarChart>) => (
  <Suspense fallback={<Box sx={{ height: 240 }} />}>
    <BarChart {...props} />
  </Suspense>
);
