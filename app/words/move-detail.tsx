import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import { Link } from "react-router";
import { TRADITIONS } from "#core/words/types.ts";
import { Notice } from "../ui/parts.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { useAnswer } from "../workers/use-answer.ts";
import type { MoveCard } from "../workers/words-work.ts";
import { FactList, TrialList, TrialPicture } from "./trial-view.tsx";

interface DetailProps {
  readonly card: MoveCard;
  readonly version: number;
  readonly onDelete: () => void;
}

/** One move: names, facts, picture, coaching, faults, cautions, and what it does among the others. */
export function MoveDetail({ card, version, onDelete }: DetailProps) {
  const { data } = card;
  const question = useMemo(() => ({ data }), [data]);
  const { answer: view } = useAnswer("tryMove", question, version);
  return (
    <Box sx={{ px: { xs: 2, sm: 3 }, py: 2 }}>
      <Button component={Link} to="/moves" variant="outlined" size="small" sx={{ display: { md: "none" }, mb: 1 }}>
        All moves
      </Button>
      <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "center" }}>
        <Typography variant="h1" component="h2" sx={{ fontSize: "1.6rem", flex: 1 }}>
          {card.shown}
        </Typography>
        <ForTeachers>
          {card.own ? (
            <>
              <Button variant="outlined" size="small" component={Link} to={`/moves/${card.id}/edit`}>
                Edit
              </Button>
              <Button variant="outlined" size="small" onClick={onDelete}>
                Delete
              </Button>
            </>
          ) : (
            <Button variant="outlined" size="small" component={Link} to={`/moves/new?like=${card.id}`}>
              Our own version of it
            </Button>
          )}
        </ForTeachers>
      </Stack>
      <Box sx={{ color: "text.secondary", mb: 2 }}>
        {data.group}; {data.roles.join(", ")}
        {card.own && "; this school’s own move"}
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,5fr) minmax(0,6fr)" },
          gap: 3,
        }}
      >
        <Box>
          <FactList
            facts={TRADITIONS.flatMap((t) => {
              const names = data.names[t];
              return names ? [{ name: t[0]!.toUpperCase() + t.slice(1), value: names.join(", ") }] : [];
            })}
          />
          <Points title="Coaching" points={data.coaching} />
          <Points title="Typical faults" points={data.faults} />
          {data.cautions && (
            <Box sx={{ mt: 2, pl: 1.5, borderLeft: 4, borderColor: "verdict.risky" }}>
              {data.cautions.join(" ")} Local rules and the instructor decide what may be practised.
            </Box>
          )}
          {view?.ok && (
            <Box sx={{ mt: 2.5 }}>
              <Typography variant="h3" sx={{ mb: 0.5 }}>
                What it does
              </Typography>
              <FactList facts={view.facts} />
            </Box>
          )}
        </Box>
        <Box>
          {!view && <LinearProgress aria-label="Trying the move" />}
          {view && !view.ok && <Notice tone="trouble">{view.errors[0]}</Notice>}
          {view?.ok && (
            <>
              <TrialPicture trial={view.trial} />
              <TrialList title="As an answer" pairs={view.trial.answers} of="feed" />
              <TrialList title="Answers to it" pairs={view.trial.answeredBy} of="answer" />
            </>
          )}
        </Box>
      </Box>
    </Box>
  );
}

function Points({ title, points }: { title: string; points: readonly string[] }) {
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3">{title}</Typography>
      <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
        {points.map((p) => (
          <li key={p}>{p}</li>
        ))}
      </Box>
    </Box>
  );
}
