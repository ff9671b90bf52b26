/** A chart whose package is loaded in the browser when it is first shown; its place is kept meanwhile. */
import Box from "@mui/material/Box";
import { lazy, Suspense, useEffect, useState, type ComponentProps } from "react";

const BarChart = lazy(() => import("./bar-chart.tsx"));

/** The package needs a window, so that a page that comes from the server has the empty place alone. */
export function ChartLater(props: ComponentProps<typeof BarChart>) {
  const [inBrowser, setInBrowser] = useState(false);
  useEffect(() => setInBrowser(true), []);
  const place = <Box sx={{ height: 240 }} />;
  return inBrowser ? (
    <Suspense fallback={place}>
      <BarChart {...props} />
    </Suspense>
  ) : (
    place
  );
}
