/** A part of a page of the log under its own heading. */
import Box from "@mui/material/Box";
import type { ReactNode } from "react";

export const Section = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ pt: 2.5 }}>
    <Box component="h2" sx={{ typography: "h2", m: 0, mb: 0.5 }}>
      {title}
    </Box>
    {children}
  </Box>
);
