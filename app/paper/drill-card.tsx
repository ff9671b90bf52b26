/** The card of a drill: one A4 page in black and white, to print or to keep as PDF. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { fileName } from "#core/formats/drill-file.ts";
import type { PadLine } from "#core/formats/pad-lines.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { scoreStaves } from "../drawing/score-layout.ts";
import { Notice } from "../ui/parts.tsx";
import { ask } from "../workers/client.ts";
import { CAUTIONS, playRows } from "./cautions.ts";
import { drillCard } from "./drill-card-layout.ts";
import { CardPageSvg, OnPaper } from "./paper-svg.tsx";
import { download } from "./standalone.ts";

interface CardProps {
  readonly id: string;
  readonly title: string;
  readonly school: string;
  readonly text: string;
}

const VERDICTS = {
  sound: "sound",
  risky: "sound, with risks",
  broken: "broken: mend it before it is trained",
} as const;

const factsOf = (view: ScoreView, pads: readonly PadLine[]): string[] => [
  `${view.kind}, ${Math.round(view.tempo * 100)} % of full speed, ${view.distance.toFixed(2)} m apart, ${VERDICTS[view.verdict]}`,
  ...(pads.length > 0 ? [`Pads: ${pads.map((p) => `${p.blow} on the ${p.pad} pad`).join(", ")}`] : []),
];

/** The pages are drawn as SVG: what is seen is what is printed and what the PDF holds. */
export function DrillCard({ id, title, school, text }: CardProps) {
  const [view, setView] = useState<ScoreView | null>(null);
  const [pads, setPads] = useState<readonly PadLine[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const sheets = useRef<HTMLDivElement>(null);
  useEffect(() => {
    Promise.all([ask("check", { text }), ask("pads", { text })]).then(
      ([checked, found]) => {
        setPads(found);
        setView(checked);
      },
      (e: Error) => setTrouble(e.message),
    );
  }, [text]);
  const pages = useMemo(
    () =>
      view &&
      drillCard({
        title,
        school,
        facts: factsOf(view, pads),
        rows: playRows(text),
        staves: scoreStaves(view),
        cautions: CAUTIONS,
      }),
    [view, pads, title, school, text],
  );
  const keep = async () => {
    setBusy(true);
    try {
      const { pdfOf } = await import("./pdf.ts");
      const drawn = [...sheets.current!.querySelectorAll<SVGSVGElement>(":scope > svg, :scope > div > svg")];
      download(fileName(title, "pdf"), await pdfOf(drawn, title));
    } catch {
      setTrouble("The PDF could not be made. Print the card instead, and choose “save as PDF” there.");
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <GlobalStyles
        styles={{
          "@page": { size: "A4", margin: 0 },
          "@media print": { body: { background: "#fff !important" } },
        }}
      />
      <Box sx={{ display: "flex", gap: 1, p: 2, "@media print": { display: "none" } }}>
        <Button variant="contained" onClick={() => window.print()} disabled={!pages}>
          Print
        </Button>
        <Button variant="outlined" onClick={() => void keep()} disabled={!pages || busy}>
          {busy ? "Making the PDF…" : "Keep as PDF"}
        </Button>
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
      </Box>
      {trouble && <Notice tone="trouble">{trouble}</Notice>}
      <Box component="h1" sx={{ position: "absolute", left: -9999 }}>
        Card of {title}
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
