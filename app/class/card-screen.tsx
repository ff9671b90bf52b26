import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import { Link } from "react-router";
import type { PairView } from "#server/pair-views.ts";
import { shortDate } from "../ui/frame.tsx";
import { FONTS } from "../ui/theme.ts";
import { CAUTIONS, playRows } from "../paper/cautions.ts";
import { cardSize } from "./card-layout.ts";

interface CardProps {
  readonly lesson: { readonly id: string; readonly title: string; readonly held_on: string };
  readonly school: string;
  readonly pairs: readonly PairView[];
}

/** The page as it is printed: A4 upright, black on white whatever the screen's scheme. */
const SHEET = {
  bgcolor: "#fff",
  color: "#000",
  width: "210mm",
  maxWidth: "100%",
  minHeight: "297mm",
  mx: "auto",
  my: 2,
  p: "12mm",
  boxSizing: "border-box",
  fontSize: "11pt",
  "@media print": { m: 0, width: "auto", minHeight: 0, p: 0 },
} as const;

const namesOf = (p: PairView): string => p.names.map((n) => `${n.actor} ${n.name}`).join("  ·  ");

/** One A4 page: who with whom on what, the texts, and what is said before every drill. */
export function CardScreen({ lesson, school, pairs }: CardProps) {
  const versions = [...new Map(pairs.map((p) => [p.revisionId, p])).values()];
  const letters = new Map(versions.map((v, i) => [v.revisionId, String(i + 1)]));
  const details = (p: PairView) => [
    [`${p.distance.toFixed(2)} m apart`, ...p.names.flatMap((n) => n.limits.map((l) => `${n.name}: ${l}`))].join("; "),
    ...p.notes.slice(0, 1),
  ];
  const size = cardSize({
    pairs: pairs.map((p) => ({ names: namesOf(p), lines: details(p) })),
    versions: versions.map((v) => playRows(v.text)),
  });
  return (
    <>
      <GlobalStyles
        styles={{
          "@page": { size: "A4", margin: "12mm" },
          "@media print": { body: { background: "#fff !important" } },
        }}
      />
      <Box sx={{ display: "flex", gap: 1, p: 2, "@media print": { display: "none" } }}>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
        <Button variant="outlined" component={Link} to={`/class/${lesson.id}`}>
          Back to the class
        </Button>
      </Box>
      <Box component="article" aria-label="Card" sx={{ ...SHEET, fontSize: `${size}pt` }}>
        <Box sx={{ display: "flex", alignItems: "baseline", borderBottom: "2px solid #000", pb: 0.5, gap: 2 }}>
          <Box component="h1" sx={{ m: 0, fontFamily: FONTS.heading, fontSize: "1.9em", flex: 1 }}>
            {lesson.title}
          </Box>
          <span>
            {school}, {shortDate(lesson.held_on)}
          </span>
        </Box>
        {pairs.length === 0 && <p>Nobody is paired yet: pair them on the class's page first.</p>}
        <Box
          component="ol"
          sx={{ listStyle: "none", p: 0, m: 0, mt: 1.5, columns: pairs.length > 4 ? 2 : 1, columnGap: "8mm" }}
        >
          {pairs.map((p) => (
            <Box
              component="li"
              key={p.id}
              sx={{ breakInside: "avoid", borderBottom: "0.5px solid #999", py: 0.6, display: "flex", gap: 1 }}
            >
              <Box
                sx={{ fontFamily: FONTS.heading, fontWeight: 700, fontSize: "1.5em", lineHeight: 1, width: "1.2em" }}
              >
                {letters.get(p.revisionId)}
              </Box>
              <Box>
                <Box sx={{ fontWeight: 700, fontSize: "1.15em" }}>{namesOf(p)}</Box>
                {details(p).map((line, i) => (
                  <Box key={line} sx={{ fontStyle: i === 0 ? "normal" : "italic" }}>
                    {line}
                  </Box>
                ))}
              </Box>
            </Box>
          ))}
        </Box>
        {versions.map((v) => (
          <Box key={v.revisionId} sx={{ mt: 1.5, breakInside: "avoid" }}>
            <Box component="h2" sx={{ m: 0, fontFamily: FONTS.heading, fontSize: "1.25em" }}>
              {letters.get(v.revisionId)}. {v.title}
            </Box>
            <Box
              component="pre"
              sx={{ m: 0, mt: 0.5, fontFamily: FONTS.mono, fontSize: "1em", whiteSpace: "pre-wrap" }}
            >
              {playRows(v.text).join("\n")}
            </Box>
          </Box>
        ))}
        <Box sx={{ mt: 2, pt: 1, borderTop: "2px solid #000" }}>
          <strong>{CAUTIONS[0]}</strong> {CAUTIONS[1]}
        </Box>
      </Box>
    </>
  );
}
