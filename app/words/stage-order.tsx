/** In which order a ladder brings things in: moved up and down by button. */
import Box from "@mui/material/Box";
import IconButton from "@mui/material/IconButton";
import ArrowDownwardIcon from "@mui/icons-material/ArrowDownward";
import ArrowUpwardIcon from "@mui/icons-material/ArrowUpward";
import type { Stage } from "#core/policy/stages.ts";
import { Rows } from "../ui/rows.tsx";

/** What comes in at a stage, as an instructor would say it. */
const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  parts: "The parts alone",
  pairs: "Feed, answer and return",
  chains: "Joined lines, ways out, counter for counter",
  variety: "Other answers, heights, sides, tools",
  uncertainty: "Chance: choice, calls, feints, hidden feeds",
  tempo: "Tempo",
  force: "Force",
};

/** The stages with one of them moved. */
const moved = (stages: readonly Stage[], at: number, to: number): Stage[] => {
  const next = stages.filter((_, i) => i !== at);
  next.splice(to, 0, stages[at]!);
  return next;
};

export function StageOrder({
  stages,
  onChange,
}: {
  stages: readonly Stage[];
  onChange: (stages: readonly Stage[]) => void;
}) {
  return (
    <Box
      component="section"
      aria-label="In which order do things come in?"
      sx={{ py: 1.5, borderBottom: 1, borderColor: "hairline" }}
    >
      <Box component="h2" sx={{ typography: "h3", m: 0 }}>
        In which order do things come in?
      </Box>
      <Rows ordered sx={{ maxWidth: 520 }}>
        {stages.map((stage, i) => (
          <Box component="li" key={stage} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
            <Box sx={{ width: 22, color: "text.secondary", fontVariantNumeric: "tabular-nums" }}>{i + 1}</Box>
            <Box sx={{ flex: 1 }}>{STAGE_WORDS[stage]}</Box>
            <IconButton
              aria-label={`${STAGE_WORDS[stage]}: earlier`}
              disabled={i === 0}
              onClick={() => onChange(moved(stages, i, i - 1))}
            >
              <ArrowUpwardIcon />
            </IconButton>
            <IconButton
              aria-label={`${STAGE_WORDS[stage]}: later`}
              disabled={i === stages.length - 1}
              onClick={() => onChange(moved(stages, i, i + 1))}
            >
              <ArrowDownwardIcon />
            </IconButton>
          </Box>
        ))}
      </Rows>
      <Box sx={{ color: "text.secondary" }}>
        Ladders keep to it: nothing of a later stage comes before what is above it is there. Once tempo is there it may
        rise again behind every new thing.
      </Box>
    </Box>
  );
}
