/** A page as it is printed: A4 upright, black on white whatever the screen's scheme, with a way to print and back. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import Stack from "@mui/material/Stack";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { FONTS } from "../ui/theme.ts";

interface A4Props {
  /** What the page is, for a screen reader. */
  readonly label: string;
  /** Letters, points. */
  readonly size: number;
  /** Margin, mm. */
  readonly margin: number;
  readonly back: { readonly to: string; readonly label: string };
  readonly children: ReactNode;
}

export function A4Page({ label, size, margin, back, children }: A4Props) {
  return (
    <>
      <GlobalStyles
        styles={{
          "@page": { size: "A4", margin: `${margin}mm` },
          "@media print": { body: { background: "#fff !important" } },
        }}
      />
      <Stack direction="row" spacing={1} sx={{ p: 2, "@media print": { display: "none" } }}>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
        <Button variant="outlined" component={Link} to={back.to}>
          {back.label}
        </Button>
      </Stack>
      <Box
        component="article"
        aria-label={label}
        sx={{
          bgcolor: "#fff",
          color: "#000",
          width: "210mm",
          maxWidth: "100%",
          minHeight: "297mm",
          mx: "auto",
          my: 2,
          p: `${margin}mm`,
          boxSizing: "border-box",
          fontSize: `${size}pt`,
          "@media print": { m: 0, width: "auto", minHeight: 0, p: 0 },
        }}
      >
        {children}
      </Box>
    </>
  );
}

/** The head of a printed page: what it is, and where and when. */
export function A4Head({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Stack direction="row" spacing={2} sx={{ alignItems: "baseline", borderBottom: "2px solid #000", pb: 0.5 }}>
      <Box component="h1" sx={{ m: 0, fontFamily: FONTS.heading, fontSize: "1.9em", flex: 1 }}>
        {title}
      </Box>
      <span>{children}</span>
    </Stack>
  );
}
