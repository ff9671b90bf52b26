/** What a student sees of the school: their rounds tonight, and the drills that they can go on with at home. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { OwnPage, OwnRound } from "#server/classes/handed-over.ts";
import { longDate, shortDate } from "../ui/dates.ts";
import { ScreenHead } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { later } from "../ui/later.tsx";
import { Section } from "./section.tsx";

const Drawn = later(async () => (await import("../drawing/drawn-text.tsx")).DrawnText);

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
          <Rounds rounds={lesson.rounds} />
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

/** The next round first and drawn, then the others, and those that are done folded away. */
function Rounds({ rounds }: { readonly rounds: readonly OwnRound[] }) {
  const done = rounds.filter((one) => one.done);
  const [next, ...then] = rounds.filter((one) => !one.done);
  return (
    <>
      {next && <Round one={next} isNext />}
      {then.map((one) => (
        <Round key={`${one.round} ${one.whom}`} one={one} />
      ))}
      {done.length > 0 && (
        <Box component="details" open={!next || undefined}>
          <Box component="summary" sx={{ cursor: "pointer", py: 1.5, color: "text.secondary" }}>
            {done.length === 1 ? "1 round done" : `${done.length} rounds done`}
          </Box>
          {done.map((one) => (
            <Round key={`${one.round} ${one.whom}`} one={one} />
          ))}
        </Box>
      )}
    </>
  );
}

const Round = ({
  one: { round, whom, what, noContact },
  isNext = false,
}: {
  readonly one: OwnRound;
  readonly isNext?: boolean;
}) => (
  <Box component="article" sx={{ py: 1, borderBottom: 1, borderColor: "hairline" }}>
    <Typography component="h3" sx={{ fontWeight: 700, fontSize: isNext ? "1.2rem" : undefined }}>
      {isNext && "Next: "}Round {round}: {whom}
    </Typography>
    {noContact && <Box sx={{ fontWeight: 700 }}>No contact: stop short.</Box>}
    {what.map(({ title, text, play, cues }) => (
      <Box key={title}>
        <Box sx={{ color: "text.secondary" }}>{title}</Box>
        {play.map((row) => (
          <Box key={row}>{row}</Box>
        ))}
        {isNext && text !== "" && <Drawn text={text} zoom={0.8} />}
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {cues.map((cue) => (
            <li key={cue}>{cue}</li>
          ))}
        </Box>
      </Box>
    ))}
  </Box>
);
