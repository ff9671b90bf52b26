/** Pages drawn as SVG, with ways to print them and to keep them as PDF: what is seen is what both hold. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import Stack from "@mui/material/Stack";
import { useRef, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { fileName } from "#core/formats/file-name.ts";
import { Notice } from "../ui/parts.tsx";
import type { CardPage } from "./drill-card-layout.ts";
import { CardPageSvg, OnPaper } from "./paper-svg.tsx";
import { download } from "./download.ts";
import { UNSEEN } from "../ui/theme.ts";

interface SvgPagesProps {
  /** What it is: heading for a screen reader, and name of the file. */
  readonly title: string;
  /** null while they are drawn. */
  readonly pages: readonly CardPage[] | null;
  readonly back: { readonly to: string; readonly label: string };
  readonly trouble: string | null;
  /** Choices beside the buttons; not printed. */
  readonly children?: ReactNode;
}

export function SvgPages({ title, pages, back, trouble, children }: SvgPagesProps) {
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const sheets = useRef<HTMLDivElement>(null);
  const keep = async () => {
    setBusy(true);
    setFailed(null);
    try {
      const { pdfOf } = await import("./pdf.ts");
      const drawn = [...sheets.current!.querySelectorAll<SVGSVGElement>(":scope > svg, :scope > div > svg")];
      download(fileName(title, "pdf"), await pdfOf(drawn, title));
    } catch {
      setFailed("The PDF could not be made. Print instead, and choose “save as PDF” there.");
    } finally {
      setBusy(false);
    }
  };
  const nothing = !pages || pages.length === 0;
  return (
    <>
      <GlobalStyles
        styles={{
          "@page": { size: "A4", margin: 0 },
          "@media print": { body: { background: "#fff !important" } },
        }}
      />
      <Stack
        direction="row"
        spacing={1}
        sx={{ flexWrap: "wrap", alignItems: "center", p: 2, "@media print": { display: "none" } }}
      >
        <Button variant="contained" onClick={() => window.print()} disabled={nothing}>
          Print
        </Button>
        <Button variant="outlined" onClick={() => void keep()} disabled={nothing || busy}>
          {busy ? "Making the PDF…" : "Keep as PDF"}
        </Button>
        <Button variant="outlined" component={Link} to={back.to}>
          {back.label}
        </Button>
        {children}
      </Stack>
      {(trouble ?? failed) && <Notice tone="trouble">{trouble ?? failed}</Notice>}
      <Box component="h1" sx={UNSEEN}>
        {title}
      </Box>
      <OnPaper ink>
        <Box ref={sheets}>
          {pages?.map((page, i) => (
            <Box
              key={i}
              sx={{
                maxWidth: "210mm",
                mx: "auto",
                mb: 2,
                boxShadow: "0 0 0 1px #999",
                "@media print": { m: 0, maxWidth: "none", boxShadow: "none", breakAfter: "page" },
              }}
            >
              <CardPageSvg page={page} label={`Page ${i + 1} of ${pages.length}`} />
            </Box>
          ))}
        </Box>
      </OnPaper>
    </>
  );
}
