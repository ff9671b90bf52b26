/** Drawings that stand on their own: a whole score as one SVG, and a card's pages. */
import Box from "@mui/material/Box";
import { useMemo, type ReactNode, type Ref } from "react";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { StaveSvg } from "../drawing/score-drawing.tsx";
import { scoreStaves } from "../drawing/score-layout.ts";
import { usePalette } from "../ui/palette.ts";
import { FONTS } from "../ui/theme.ts";
import { PAGE, type CardPage, type Face } from "./drill-card-layout.ts";

/** The palette in black and white: shapes and letters say what colour says on a screen. */
const INK = {
  "--mui-palette-background-default": "#fff",
  "--mui-palette-background-paper": "#fff",
  "--mui-palette-text-primary": "#000",
  "--mui-palette-text-secondary": "#444",
  "--mui-palette-hairline": "#999",
  "--mui-palette-partner-A": "#000",
  "--mui-palette-partner-B": "#000",
  "--mui-palette-partner-C": "#000",
  "--mui-palette-verdict-valid": "#000",
  "--mui-palette-verdict-risky": "#000",
  "--mui-palette-verdict-invalid": "#000",
} as const;

/** What is inside is drawn as by day, or in black and white, whatever the scheme of the page. */
export const OnPaper = ({ ink, children }: { ink: boolean; children: ReactNode }) => (
  <Box data-scheme="light" sx={ink ? INK : {}}>
    {children}
  </Box>
);

const MARGIN = 16;
const HEAD = 44;

/** All staves of a score under its title, as one drawing. */
export function ScoreSheet({ view, title, ref }: { view: ScoreView; title: string; ref?: Ref<SVGSVGElement> }) {
  const palette = usePalette();
  const staves = useMemo(() => scoreStaves(view), [view]);
  const width = Math.max(420, ...staves.map((s) => s.width)) + 2 * MARGIN;
  let y = MARGIN + HEAD;
  const tops = staves.map((s) => {
    y += s.section ? 34 : 0;
    const top = y;
    y += s.height;
    return top;
  });
  const height = y + MARGIN;
  return (
    <svg ref={ref} xmlns="http://www.w3.org/2000/svg" width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
      <rect width={width} height={height} fill={palette.background.default} />
      <text
        x={MARGIN}
        y={MARGIN + 24}
        fontSize={24}
        fontWeight={700}
        fontFamily={FONTS.heading}
        fill={palette.text.primary}
      >
        {title}
      </text>
      <g fontFamily={FONTS.text}>
        {staves.map((stave, i) => (
          <g key={stave.key} transform={`translate(${MARGIN} ${tops[i]!})`}>
            {stave.section && (
              <text y={-10} fontSize={17} fontWeight={700} fill={palette.text.primary}>
                {stave.section}
              </text>
            )}
            <StaveSvg stave={stave} zoom={1} picked={null} reachable={null} onPick={undefined} />
          </g>
        ))}
      </g>
    </svg>
  );
}

const FAMILY: Record<Face, string> = { heading: FONTS.heading, text: FONTS.text, bold: FONTS.text, mono: FONTS.mono };

/** Blanks in front of a row say which block it is in: as they are, a PDF would drop them. */
const kept = (text: string): string => text.replace(/^ +/, (blanks) => "\u00a0".repeat(blanks.length));

/** One A4 page of a card. */
export function CardPageSvg({ page, label }: { page: CardPage; label: string }) {
  const palette = usePalette();
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${PAGE.width} ${PAGE.height}`}
      width="100%"
      role="group"
      aria-label={label}
      style={{ display: "block" }}
    >
      <rect width={PAGE.width} height={PAGE.height} fill={palette.background.default} />
      {page.rules.map((y) => (
        <path
          key={y}
          d={`M${PAGE.margin} ${y}H${PAGE.width - PAGE.margin}`}
          stroke={palette.text.primary}
          strokeWidth={0.5}
        />
      ))}
      {page.codes?.map(({ x, y, width, qr }) => (
        <g key={qr.path} transform={`translate(${x} ${y}) scale(${width / qr.size})`}>
          <path d={qr.path} fill="#000" />
        </g>
      ))}
      {page.texts.map((t, i) => (
        <text
          key={i}
          x={t.x}
          y={t.y}
          fontSize={t.size}
          fontFamily={FAMILY[t.face]}
          fontWeight={t.face === "heading" || t.face === "bold" ? 700 : 400}
          fill={palette.text.primary}
        >
          {kept(t.text)}
        </text>
      ))}
      <g fontFamily={FONTS.text}>
        {page.staves.map(({ stave, x, y, scale }) => (
          <g key={stave.key} transform={`translate(${x} ${y}) scale(${scale})`}>
            <StaveSvg stave={stave} zoom={1} picked={null} reachable={null} onPick={undefined} />
          </g>
        ))}
      </g>
    </svg>
  );
}
