/** What the school has no answer for, in words, with one press to a drill that fills it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { BOOK_SIDES } from "#core/answers/book.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { shortDate } from "../ui/dates.ts";
import type { BrokenPair, Hole } from "./book-view.ts";
import { useNewDrill } from "./use-new-drill.ts";
import { Row, Rows } from "../ui/rows.tsx";

export const SIDE_WORDS = ["from a right-handed feeder", "from a left-handed feeder"] as const;
const RING = { none: "invalid", risky: "risky", untrained: "valid" } as const;
const WORDS: Record<Hole["kind"], (h: Hole) => string> = {
  none: (h) => `No answer to ${h.text} ${SIDE_WORDS[h.side]}.`,
  risky: (h) => `Only risky answers to ${h.text} ${SIDE_WORDS[h.side]}.`,
  untrained: (h) => `${h.text[0]!.toUpperCase()}${h.text.slice(1)} ${SIDE_WORDS[h.side]}: answered, but never trained.`,
};
const FEW = 6;

/** Above all gaps: what the club trains and the checker refuses. */
export function TrainedBroken({ pairs }: { readonly pairs: readonly BrokenPair[] }) {
  if (pairs.length === 0) return null;
  return (
    <Box component="section" aria-label="Trained, and does not hold" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 1, color: "verdict.invalid" }}>
        Trained, and does not hold: {pairs.length}
      </Typography>
      <Rows>
        {pairs.slice(0, FEW).map(({ feed, answer, side, day }) => (
          <Row key={`${feed} ${answer} ${side}`} sx={{ display: "flex", gap: 1, py: 1, alignItems: "flex-start" }}>
            <VerdictRing verdict="invalid" size={18} />
            <Box sx={{ flex: 1 }}>
              {feed} {SIDE_WORDS[side]}, answered with {answer}: last trained on {shortDate(day)}.
            </Box>
          </Row>
        ))}
      </Rows>
      {pairs.length > FEW && <Box sx={{ color: "text.secondary" }}>And {pairs.length - FEW} more on the map.</Box>}
    </Box>
  );
}

export function Holes({ holes }: { holes: readonly Hole[] }) {
  const [all, setAll] = useState(false);
  const newDrill = useNewDrill();
  const graver = holes.filter((h) => h.kind !== "untrained").length;
  const shown = all ? holes : holes.slice(0, FEW);
  return (
    <Box component="section" aria-label="Gaps" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {holes.length === 0
          ? "No gaps"
          : `Gaps: ${graver} without a sound answer, ${holes.length - graver} never trained`}
      </Typography>
      {holes.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>Each feed has a sound answer on both sides, and one was trained.</Box>
      )}
      <Rows>
        {shown.map((hole) => (
          <Row key={`${hole.feed}.${hole.side}`} sx={{ display: "flex", gap: 1, py: 1, alignItems: "flex-start" }}>
            <VerdictRing verdict={RING[hole.kind]} size={18} />
            <Box sx={{ flex: 1 }}>
              {WORDS[hole.kind](hole)}
              <Box>
                <Button
                  size="small"
                  variant="text"
                  sx={{ px: 0, minHeight: 28 }}
                  onClick={() => newDrill(hole.text, null, BOOK_SIDES[hole.side])}
                >
                  {hole.kind === "untrained" ? "Make a drill for it" : "Fill it with a drill"}
                </Button>
              </Box>
            </Box>
          </Row>
        ))}
      </Rows>
      {holes.length > FEW && (
        <Button size="small" variant="outlined" onClick={() => setAll(!all)} sx={{ mt: 1 }}>
          {all ? "Only the gravest" : `All ${holes.length}`}
        </Button>
      )}
    </Box>
  );
}
