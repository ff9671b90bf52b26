/** What was trained over the weeks and how it went: as bars, and as tables of the same numbers. */
import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import { Link } from "react-router";
import type { WeeksPage } from "#server/learning/trained.ts";
import { Choice } from "../ui/choice.tsx";
import { DataTable } from "../ui/data-table.tsx";
import { longDate, shortDate } from "../ui/dates.ts";
import { ScreenHead } from "../ui/parts.tsx";
import { useFilters } from "../ui/use-filters.ts";
import { DayField } from "./day-field.tsx";
import { LogNav } from "./log-nav.tsx";
import { Section } from "./section.tsx";
import { roundsText, unseen } from "./tallies.ts";
import { ThemeTable } from "./theme-table.tsx";
import { WentChart } from "./went-chart.tsx";

const ANYBODY = "";
const USUAL = { person: ANYBODY, from: "", to: "" };
/** Most bars of a chart: the last weeks, the people who trained most. The tables have all. */
const WEEKS = 26;
const PEOPLE = 20;

export function WeeksScreen({ sums, names, asked }: WeeksPage) {
  const { values: filter, set } = useFilters(USUAL);
  const people = Object.entries(names).sort(([, a], [, b]) => a.localeCompare(b));
  const { weeks, evenings } = sums;
  const rounds = weeks.reduce((sum, one) => sum + one.rounds, 0);
  const byPerson = sums.people
    .map((one) => ({ ...one, name: names[one.person] ?? "Former member" }))
    .sort((a, b) => b.rounds - a.rounds || a.name.localeCompare(b.name));
  const one = filter.person === ANYBODY ? null : (names[filter.person] ?? "Former member");
  return (
    <>
      <ScreenHead
        title="Log"
        lead={`${one ?? "Everybody"}: ${evenings === 1 ? "1 evening" : `${evenings} evenings`}, ${roundsText(rounds)}${one ? "" : ", each counted for everybody in it"}. What nobody saw is not counted as clean.${asked.from && filter.from === "" ? ` Since ${longDate(asked.from)}; choose days for more.` : ""}`}
      />
      <LogNav />
      <Stack role="search" direction="row" spacing={1.5} sx={{ flexWrap: "wrap", px: { xs: 2, sm: 3 }, py: 1.5 }}>
        <Choice
          label="Who"
          value={filter.person}
          options={[[ANYBODY, "everybody"], ...people]}
          onChange={(person) => set("person", person)}
          sx={{ minWidth: 180 }}
        />
        <DayField label="From" value={filter.from} onChange={(from) => set("from", from)} />
        <DayField label="To" value={filter.to} onChange={(to) => set("to", to)} />
      </Stack>
      {weeks.length === 0 ? (
        <Box sx={{ px: { xs: 2, sm: 3 }, py: 3, color: "text.secondary" }}>
          No round fits. Rounds come into the log when they were run.
        </Box>
      ) : (
        <Box sx={{ px: { xs: 2, sm: 3 }, pb: 5 }}>
          <Section title={weeks.length > WEEKS ? `Week by week, the last ${WEEKS}` : "Week by week"}>
            <WentChart
              of="Rounds by week"
              bars="upright"
              rows={weeks.slice(-WEEKS).map((week) => ({ ...week, name: shortDate(week.week) }))}
            />
            <DataTable
              label="Week by week as a table"
              heads={["Week of", "Rounds", "Seen clean", "Not clean", "Not seen"]}
              rows={[...weeks].reverse().map((week) => ({
                key: week.week,
                cells: [longDate(week.week), week.rounds, week.clean, week.open, unseen(week)],
              }))}
            />
          </Section>
          <Section title="Theme by theme">
            <ThemeTable themes={sums.themes} />
          </Section>
          {one === null && (
            <Section title={byPerson.length > PEOPLE ? `By person, the ${PEOPLE} who trained most` : "By person"}>
              <WentChart of="Rounds by person" bars="lying" rows={byPerson.slice(0, PEOPLE)} />
              <DataTable
                label="By person as a table"
                heads={["Who", "Rounds", "Seen clean", "Not clean", "Not seen"]}
                rows={byPerson.map((row) => ({
                  key: row.person,
                  cells: [
                    <Link key="who" to={`/people/${row.person}`}>
                      {row.name}
                    </Link>,
                    ...[row.rounds, row.clean, row.open, unseen(row)],
                  ],
                }))}
              />
            </Section>
          )}
        </Box>
      )}
    </>
  );
}
