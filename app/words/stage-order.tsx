/** In which order a ladder brings things in: moved up and down by button. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Stage } from "#core/policy/stages.ts";
import { OrderList } from "../ui/order-list.tsx";

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
      <Typography variant="h3" component="h2">
        In which order do things come in?
      </Typography>
      <OrderList
        label="The order of the stages"
        items={stages}
        nameOf={(stage) => STAGE_WORDS[stage]}
        onChange={(next) => onChange([...next])}
      />
      <Box sx={{ color: "text.secondary" }}>
        Ladders keep to it: nothing of a later stage comes before what is above it is there. Once tempo is there it may
        rise again behind every new thing.
      </Box>
    </Box>
  );
}
