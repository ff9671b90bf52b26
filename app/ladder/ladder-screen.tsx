import Button from "@mui/material/Button";
import Box from "@mui/material/Box";
import { useState } from "react";
import { Link } from "react-router";
import { ScreenHead, WordChoice } from "../ui/parts.tsx";
import { LadderPlan } from "./ladder-plan.tsx";
import { Variations } from "./variations.tsx";

interface LadderProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly revisionId: string;
}
const PARTS = [
  { value: "ladder", label: "Ladder" },
  { value: "variations", label: "All variations" },
] as const;

/** From one exchange upwards in even steps; or every single change of the drill. */
export function LadderScreen({ id, title, text, revisionId }: LadderProps) {
  const [part, setPart] = useState<(typeof PARTS)[number]["value"]>("ladder");
  return (
    <>
      <ScreenHead
        title={`Ladder of ${title}`}
        lead="Each rung changes one thing and was checked. Speed and force come when the pattern is sound; the instructor decides what is practised."
      >
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
      </ScreenHead>
      <Box sx={{ px: { xs: 2, sm: 3 }, borderBottom: 1, borderColor: "hairline" }}>
        <WordChoice label="What is shown" options={PARTS} value={part} onChange={setPart} />
      </Box>
      {part === "ladder" ? (
        <LadderPlan text={text} revisionId={revisionId} />
      ) : (
        <Variations text={text} revisionId={revisionId} />
      )}
    </>
  );
}
