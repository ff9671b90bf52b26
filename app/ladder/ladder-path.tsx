/** The way up as a stair that one reads at a glance: each rung with its change and the drawing of what is new. */
import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import { styled } from "@mui/material/styles";
import type { ScoreView } from "#core/formats/desk-view.ts";
import type { Coaching } from "#core/ladder/coaching.ts";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { VerdictRing } from "../ui/marks.tsx";

interface Step {
  readonly changed: string;
  readonly view: ScoreView;
  readonly coaching: Coaching;
}
interface PathProps {
  readonly rungs: readonly Step[];
  readonly pins: readonly number[];
}

/** How high the stair rises, px. */
const RISE = 72;
/** A rung's width, px: its drawing is to be seen. */
const WIDE = 192;

/** Where the list below has a rung. */
export const rungAnchor = (place: number): string => `rung-${place + 1}`;

/** Only what a rung brings in, so that its drawing is small. */
const freshOf = ({ view, coaching }: Step): ScoreView => {
  const at = new Set<number>(coaching.at);
  const exchanges = view.exchanges.filter(({ row }) => at.has(row));
  return {
    ...view,
    exchanges: exchanges.length > 0 ? exchanges : view.exchanges.slice(0, 1),
    wrong: [],
    blocks: [],
    notes: [],
  };
};

const Stair = styled("ol")({
  listStyle: "none",
  margin: 0,
  padding: 0,
  display: "flex",
  alignItems: "stretch",
  overflowX: "auto",
});

export function LadderPath({ rungs, pins }: PathProps) {
  const loads = rungs.map(({ view }) => view.load.total);
  const [least, most] = [Math.min(...loads), Math.max(...loads)];
  const down = (load: number) => Math.round(RISE * (1 - (load - least) / Math.max(0.01, most - least)));
  return (
    <Box component="section" aria-label="The way up" sx={{ px: { xs: 2, sm: 3 }, pb: 2, ...NOT_ON_PAPER }}>
      <Stair tabIndex={0}>
        {rungs.map((rung, i) => (
          <Box
            component="li"
            key={`${i}${rung.changed}`}
            sx={{ flex: `0 0 ${WIDE}px`, pt: `${down(loads[i]!)}px`, minWidth: 0 }}
          >
            <Box
              component="a"
              href={`#${rungAnchor(i)}`}
              sx={{
                display: "block",
                height: "100%",
                color: "inherit",
                textDecoration: "none",
                borderTop: 3,
                borderLeft: 1,
                borderColor: "text.primary",
                borderLeftColor: "hairline",
                px: 1,
                pt: 0.5,
                "&:hover": { bgcolor: "background.paper" },
              }}
            >
              <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
                <Box component="span" sx={{ typography: "h2", lineHeight: 1 }}>
                  {i + 1}
                </Box>
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {Math.round(rung.view.tempo * 100)}%{pins.includes(i) ? ", kept" : ""}
                </Box>
                <Box component="span" sx={{ ml: "auto" }}>
                  <VerdictRing verdict={rung.view.shown} />
                </Box>
              </Stack>
              <Box sx={{ fontWeight: 700, my: 0.5, minHeight: "2.6em" }}>{rung.changed}</Box>
              <Box aria-hidden inert sx={{ overflow: "hidden", maxHeight: 118 }}>
                <ScoreDrawing view={freshOf(rung)} cursor={null} zoom={0.47} />
              </Box>
            </Box>
          </Box>
        ))}
      </Stair>
    </Box>
  );
}
