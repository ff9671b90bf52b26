/** The log: rounds that were run, with who, what and what was seen; search, filter, put right, export. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { Form, Link } from "react-router";
import type { LogPage } from "#server/learning/log.ts";
import { Choice } from "../ui/choice.tsx";
import { useDayOf } from "../ui/zone.tsx";
import { shortDate } from "../ui/dates.ts";
import { ScreenHead } from "../ui/parts.tsx";
import { useFilters } from "../ui/use-filters.ts";
import { SearchField } from "../ui/search-field.tsx";
import { DayField } from "./day-field.tsx";
import { Incidents } from "./incidents.tsx";
import { LogNav } from "./log-nav.tsx";
import { LogRows } from "./log-rows.tsx";

const MARKS = [
  ["all", "every round"],
  ["seen", "with something seen"],
  ["open", "not clean"],
] as const;
const ANYBODY = "";
const USUAL = { words: "", person: ANYBODY, marks: "all", from: "", to: "", page: "0" };

const withoutPage = (search: URLSearchParams): [string, string][] => [...search].filter(([key]) => key !== "page");

export function LogScreen(props: LogPage) {
  const dayOf = useDayOf();
  const { rows, names, page, more, incidents } = props;
  const { values: filter, set, params: search } = useFilters(USUAL);
  // What is looked for begins on the first page.
  const change = (key: keyof typeof USUAL, value: string) => {
    set(key, value);
    set("page", USUAL.page);
  };
  const turn = (to: number) => `?${new URLSearchParams([...withoutPage(search), ["page", String(to)]]).toString()}`;
  const people = Object.entries(names).sort(([, a], [, b]) => a.localeCompare(b));
  const file = (as: string) => `/log/file?${new URLSearchParams([...withoutPage(search), ["as", as]]).toString()}`;
  return (
    <>
      <ScreenHead
        title="Log"
        lead={
          filter.person !== ANYBODY
            ? `What ${names[filter.person] ?? "they"} trained`
            : "What was trained, and what was seen of it"
        }
      >
        <Button variant="outlined" component="a" href={file("csv")} download>
          Export table
        </Button>
        <Button variant="outlined" component="a" href={file("json")} download>
          Export JSON
        </Button>
      </ScreenHead>
      <LogNav />
      <Stack
        component={Form}
        role="search"
        direction="row"
        spacing={1.5}
        sx={{ flexWrap: "wrap", px: { xs: 2, sm: 3 }, py: 1.5, alignItems: "end" }}
      >
        <SearchField label="Drill or class" value={filter.words} onChange={(words) => change("words", words)} />
        <Choice
          label="Who"
          value={filter.person}
          options={[[ANYBODY, "anybody"], ...people]}
          onChange={(person) => change("person", person)}
          sx={{ minWidth: 180 }}
        />
        <Choice
          label="Which rounds"
          value={filter.marks as (typeof MARKS)[number][0]}
          options={MARKS}
          onChange={(marks) => change("marks", marks)}
          sx={{ minWidth: 190 }}
        />
        <DayField label="From" value={filter.from} onChange={(from) => change("from", from)} />
        <DayField label="To" value={filter.to} onChange={(to) => change("to", to)} />
      </Stack>
      <Box sx={{ px: { xs: 2, sm: 3 }, pb: 4, borderTop: 1, borderColor: "hairline" }}>
        <LogRows rows={rows} names={names} />
        {(page > 0 || more) && (
          <Stack component="nav" aria-label="Pages" direction="row" spacing={1} sx={{ py: 2 }}>
            {page > 0 && (
              <Button variant="outlined" component={Link} to={turn(page - 1)}>
                Newer
              </Button>
            )}
            {more && (
              <Button variant="outlined" component={Link} to={turn(page + 1)}>
                Older
              </Button>
            )}
          </Stack>
        )}
        <Incidents incidents={incidents} names={names} dayOf={(at) => shortDate(dayOf(at))} />
      </Box>
    </>
  );
}
