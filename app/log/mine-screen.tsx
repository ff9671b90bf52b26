/** What a student sees of the school: their rounds tonight, and the drills that they can go on with at home. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { OwnPage, OwnRound } from "#server/classes/handed-over.ts";
import { longDate, shortDate } from "../ui/dates.ts";
import { ScreenHead } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { Section } from "./section.tsx";

export const MineScreen = ({ id, name, lesson, drills }: OwnPage) => (
  <>
    <ScreenHead title={name} lead="Your rounds, and what you have trained to go on with.">
      <Button variant="outlined" component={Link} to={`/people/${id}/page`}>
        What I trained
      </Button>
    </ScreenHead>
    <Box sx={{ px: { xs: 2, sm: 3 }, pb: 5, borderTop: 1, borderColor: "hairline" }}>
      {lesson && (
        <Section title={`${lesson.title}, ${shortDate(lesson.held_on)}`}>
          {lesson.rounds.length === 0 && (
            <Box sx={{ color: "text.secondary", py: 1 }}>
              You are in no round of it yet. They stand here once the evening is planned and you are ticked as here.
            </Box>
          )}
          {lesson.rounds.map((one) => (
            <Round key={`${one.round} ${one.whom}`} one={one} />
          ))}
        </Section>
      )}
      <Section title="To go on with">
        {drills.length === 0 && (
          <Box sx={{ color: "text.secondary", py: 1 }}>Nothing yet. What you train in class comes here afterwards.</Box>
        )}
        <Rows aria-label="To go on with">
          {drills.map((drill) => (
            <Row key={drill.id} sx={{ display: "flex", alignItems: "center", py: 0.5 }}>
              <Box sx={{ flex: 1, minWidth: 0 }}>
                {drill.title}{" "}
                <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
                  {longDate(drill.last)}
                </Box>
              </Box>
              <Button
                size="small"
                component={Link}
                to={`/drills/${drill.id}/card`}
                aria-label={`Card of ${drill.title}`}
              >
                Card
              </Button>
              <Button
                size="small"
                component={Link}
                to={`/drills/${drill.id}/clock`}
                aria-label={`Clock for ${drill.title}`}
              >
                Clock
              </Button>
            </Row>
          ))}
        </Rows>
      </Section>
    </Box>
  </>
);

const Round = ({ one: { round, done, whom, what } }: { readonly one: OwnRound }) => (
  <Box component="article" sx={{ py: 1, borderBottom: 1, borderColor: "hairline", opacity: done ? 0.6 : 1 }}>
    <Box sx={{ fontWeight: 700 }}>
      Round {round}
      {done ? ", done" : ""}: {whom}
    </Box>
    {what.map(({ title, play, cues }) => (
      <Box key={title}>
        <Box sx={{ color: "text.secondary" }}>{title}</Box>
        {play.map((row) => (
          <Box key={row}>{row}</Box>
        ))}
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {cues.map((cue) => (
            <li key={cue}>{cue}</li>
          ))}
        </Box>
      </Box>
    ))}
  </Box>
);
