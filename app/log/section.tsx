/** A part of a page of the log under its own heading. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";

export const Section = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ pt: 2.5 }}>
    <Typography variant="h2" sx={{ mb: 0.5 }}>
      {title}
    </Typography>
    {children}
  </Box>
);
