/** One person in the log: what they trained, with whom, on which side, how it went, and when they were hurt. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { markWord } from "#core/floor/marks.ts";
import type { PersonPage } from "#server/learning/trained.ts";
import { DataTable } from "../ui/data-table.tsx";
import { useDayOf } from "../ui/zone.tsx";
import { longDate, shortDate } from "../ui/dates.ts";
import { ScreenHead } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { PLACE_WORDS } from "./incidents.tsx";
import { Section } from "./section.tsx";
import { roundsText, wentText } from "./tallies.ts";
import { ThemeTable } from "./theme-table.tsx";
import { WentChart } from "./went-chart.tsx";

const WEEKS = 26;
/** What was seen so often keeps going wrong. */
const OFTEN = 2;

const AGE_WORDS = { minor: ". Minor", adult: "", unknown: ". Of age? Nobody has said" } as const;

export function PersonScreen(page: PersonPage) {
  const { person, sums, names, incidents, minorsPage } = page;
  const { weeks, evenings, partners, faults } = sums;
  const rounds = weeks.reduce((sum, { rounds: n }) => sum + n, 0);
  const often = faults.filter(({ times }) => times >= OFTEN);
  const closed = person.age !== "adult" && minorsPage === "nothing";
  return (
    <>
      <ScreenHead
        title={person.name}
        lead={`${evenings === 1 ? "1 evening" : `${evenings} evenings`}, ${roundsText(rounds)}, ${partners.length === 1 ? "1 partner" : `${partners.length} partners`}${AGE_WORDS[person.age]}${person.ages ? `, ${person.ages}` : ""}${person.archived ? ". Archived" : ""}`}
      >
        <Button variant="outlined" component={Link} to={`/log?person=${person.id}`}>
          Round by round
        </Button>
        {closed ? (
          <Box sx={{ color: "text.secondary" }}>The school hands out nothing about minors.</Box>
        ) : (
          <Button variant="outlined" component={Link} to={`/people/${person.id}/page`}>
            Page to hand over
          </Button>
        )}
        <Button variant="outlined" component={Link} to={`/people?person=${person.id}`}>
          Measures and limits
        </Button>
      </ScreenHead>
      <Box sx={{ px: { xs: 2, sm: 3 }, pb: 5, borderTop: 1, borderColor: "hairline" }}>
        {rounds === 0 && (
          <Box sx={{ py: 3, color: "text.secondary" }}>Nothing yet. Rounds come into the log when they were run.</Box>
        )}
        <Families {...page} />
        {often.length > 0 && (
          <Section title="What keeps going wrong">
            <Rows aria-label="What keeps going wrong">
              {often.map(({ mark, words, times }) => (
                <Row key={`${mark} ${words}`} sx={{ py: 0.5 }}>
                  {markWord({ role: "answers", mark, text: words })}, {times} times
                </Row>
              ))}
            </Rows>
          </Section>
        )}
        {rounds > 0 && (
          <>
            <Section title="Week by week">
              <WentChart
                of="Rounds by week"
                bars="upright"
                rows={weeks.slice(-WEEKS).map((week) => ({ ...week, name: shortDate(week.week) }))}
              />
            </Section>
            <Section title="What they trained">
              <ThemeTable themes={sums.themes} />
            </Section>
            <Section title="With whom">
              <DataTable
                label="Partners"
                heads={["Partner", "Rounds", "How it went"]}
                rows={partners.map((one) => ({
                  key: one.partner,
                  cells: [names[one.partner] ?? "Former member", one.rounds, wentText(one)],
                }))}
              />
            </Section>
          </>
        )}
        <Hurt incidents={incidents} />
      </Box>
    </>
  );
}

function Hurt({ incidents }: Pick<PersonPage, "incidents">) {
  const dayOf = useDayOf();
  if (incidents.length === 0) return null;
  return (
    <Section title="When they were hurt">
      <Rows aria-label="When they were hurt">
        {incidents.map(({ id, at, place, what, cleared_at, cleared_by }) => (
          <Row key={id} sx={{ py: 0.5 }}>
            {longDate(dayOf(at))}, {PLACE_WORDS[place]}
            {what ? `: ${what}` : ""}
            {place === "head"
              ? cleared_at === null
                ? " (no contact until cleared)"
                : ` (cleared by ${cleared_by})`
              : ""}
          </Row>
        ))}
      </Rows>
    </Section>
  );
}

const FAMILY_WORDS: Readonly<Record<string, string>> = {
  feeder: "Feeder and responder",
  flow: "Flow",
  sensitivity: "Sensitivity",
};

/** Where they stand by what was seen of them, on a drill of the usual load. */
function Families({ families }: Pick<PersonPage, "families">) {
  if (families.length === 0) return null;
  return (
    <Section title="Where they stand">
      <Rows aria-label="Where they stand">
        {families.map(({ family, text, times }) => (
          <Row key={family} sx={{ py: 0.5 }}>
            {FAMILY_WORDS[family] ?? family}: {text} on a drill that is neither easy nor hard; seen{" "}
            {times === 1 ? "once" : `${times} times`}
          </Row>
        ))}
      </Rows>
    </Section>
  );
}
