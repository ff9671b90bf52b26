import Button from "@mui/material/Button";
import Box from "@mui/material/Box";
import { useState } from "react";
import { Link } from "react-router";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { ScreenHead, WordChoice } from "../ui/parts.tsx";
import { Cycles } from "./cycles.tsx";
import { Join } from "./join.tsx";
import { LadderPlan } from "./ladder-plan.tsx";
import type { ClassChoice } from "./take-ladder.tsx";
import { Variations } from "./variations.tsx";

interface LadderProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly revisionId: string;
  readonly gear: readonly { readonly kind: string; readonly count: number }[];
  readonly others: readonly { readonly id: string; readonly title: string; readonly text: string }[];
  readonly classes: readonly ClassChoice[];
  readonly today: string;
}
const PARTS = [
  { value: "ladder", label: "Ladder" },
  { value: "variations", label: "All variations" },
  { value: "cycles", label: "Loops" },
  { value: "join", label: "Combine drills" },
] as const;

/** From one exchange upwards in even steps; or every single change of the drill. */
export function LadderScreen(props: LadderProps) {
  const { id, title, text, revisionId } = props;
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
      <Box sx={{ px: { xs: 2, sm: 3 }, borderBottom: 1, borderColor: "hairline", ...NOT_ON_PAPER }}>
        <WordChoice label="What is shown" options={PARTS} value={part} onChange={setPart} />
      </Box>
      {part === "ladder" && (
        <LadderPlan
          title={title}
          text={text}
          revisionId={revisionId}
          gear={props.gear}
          classes={props.classes}
          today={props.today}
        />
      )}
      {part === "variations" && <Variations text={text} revisionId={revisionId} />}
      {part === "cycles" && <Cycles text={text} revisionId={revisionId} others={props.others} />}
      {part === "join" && <Join text={text} revisionId={revisionId} others={props.others} />}
    </>
  );
}
