/** The people of the school: measures, levels, limits, wishes; gear; import and export. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useMemo, useState } from "react";
import { Link, useFetcher } from "react-router";
import type { Wish } from "#core/pairs/score.ts";
import { FAMILIES } from "#core/people/families.ts";
import type { PersonView } from "#server/views.ts";
import type { action } from "../routes/people.tsx";
import { MoreRows, SortHead } from "../ui/data-table.tsx";
import { ScreenHead, WordChoice } from "../ui/parts.tsx";
import { later } from "../ui/later.tsx";
import { PAGE, shownOf, sortingOf, type Sorting } from "#core/lists/rows-shown.ts";
import { SearchField } from "../ui/search-field.tsx";
import { useFilters } from "../ui/use-filters.ts";
import { OfAge } from "./of-age.tsx";
import { peopleListed, SORTS, USUAL, type PeopleAsked, type PeopleSort } from "#core/lists/people-list.ts";

const GearList = later(async () => (await import("./gear-list.tsx")).GearList);
const ImportPeople = later(async () => (await import("./import-people.tsx")).ImportPeople);
const PersonDialog = later(async () => (await import("./person-dialog.tsx")).PersonDialog);

const AGE_WORDS = { minor: " · minor", adult: "", unknown: " · of age?" } as const;

const PARTS = [
  { value: "people", label: "People" },
  { value: "archived", label: "Archived" },
  { value: "gear", label: "Gear" },
] as const;

interface PeopleProps {
  readonly list: {
    /** Which people these are; who is archived is sent where they are looked at. */
    readonly part: "people" | "archived";
    readonly people: readonly PersonView[];
    /** How many fit what is asked for; null where all are here. */
    readonly rows: number | null;
    /** Whose card is open at first. */
    readonly asked: PersonView | null;
    /** Of whom nobody has said whether they are of age. */
    readonly unsaid: readonly { readonly id: string; readonly name: string }[];
  };
  readonly wishes: readonly Wish[];
  readonly gear: readonly { readonly kind: string; readonly count: number }[];
}

export function PeopleScreen({ list, wishes, gear }: PeopleProps) {
  const { values, set } = useFilters(USUAL);
  const part = PARTS.find(({ value }) => value === values.part)?.value ?? "people";
  const [open, setOpen] = useState<PersonView | "new" | null>(list.asked?.archived ? null : list.asked);
  const [importing, setImporting] = useState(false);
  return (
    <>
      <ScreenHead
        title="People"
        lead="Measures are for reach and distance, levels for the rung, limits for what a pair leaves out. Keep only what you need; local rules on personal data apply."
      >
        <Button variant="outlined" component="a" href="/people.csv" download>
          Export CSV
        </Button>
        <Button variant="outlined" onClick={() => setImporting(true)}>
          Import CSV
        </Button>
        <Button variant="contained" onClick={() => setOpen("new")}>
          Add a person
        </Button>
      </ScreenHead>
      <Stack
        direction="row"
        spacing={2}
        sx={{ flexWrap: "wrap", alignItems: "center", px: { xs: 2, sm: 3 }, borderBottom: 1, borderColor: "hairline" }}
      >
        <WordChoice label="What is shown" options={PARTS} value={part} onChange={(value) => set("part", value)} />
        {part !== "gear" && (
          <SearchField label="Search people" value={values.q} onChange={(q) => set("q", q)} width={220} />
        )}
      </Stack>
      {part === "people" && list.unsaid.length > 0 && <OfAge unsaid={list.unsaid} />}
      {part === "gear" && <GearList gear={gear} />}
      {part !== "gear" && part !== list.part && <Waiting />}
      {part === list.part && <PeopleTable list={list} values={values} set={set} onChange={setOpen} />}
      {open && (
        <PersonDialog
          person={open === "new" ? null : (list.people.find((p) => p.id === open.id) ?? open)}
          wishes={wishes}
          onClose={() => setOpen(null)}
        />
      )}
      {importing && <ImportPeople onClose={() => setImporting(false)} />}
    </>
  );
}

const Waiting = () => (
  <Box role="status" sx={{ px: { xs: 2, sm: 3 }, py: 4, color: "text.secondary" }}>
    The list is on its way.
  </Box>
);

interface TableProps {
  readonly list: PeopleProps["list"];
  readonly values: PeopleAsked;
  readonly set: (key: keyof PeopleAsked, value: string) => void;
  readonly onChange: (person: PersonView) => void;
}

function PeopleTable({ list, values, set, onChange }: TableProps) {
  const found = useMemo(() => peopleListed(list.people, values), [list.people, values]);
  const shown = found.slice(0, shownOf(values));
  const isArchived = list.part === "archived";
  const onSort = ({ key, down }: Sorting<PeopleSort>) => {
    set("sort", key);
    set("down", down ? "yes" : "no");
  };
  const head = (by: PeopleSort, label: string) => (
    <SortHead by={by} sort={sortingOf(values, SORTS)} onSort={onSort}>
      {label}
    </SortHead>
  );
  if (shown.length === 0) return <Nobody search={values.q} archived={isArchived} />;
  return (
    <Box
      sx={{ px: { xs: 0.5, sm: 2 }, pb: 4, overflowX: "auto", position: "relative" }}
      tabIndex={0}
      role="region"
      aria-label="People"
    >
      <Table>
        <TableHead>
          <TableRow>
            {head("name", "Name")}
            {head("height", "Height")}
            <TableCell>Reach</TableCell>
            {head("mass", "Mass")}
            <TableCell>Leads</TableCell>
            <TableCell>Hand</TableCell>
            {head("level", "Levels")}
            <TableCell>Limits and agreements</TableCell>
            <TableCell aria-label="Change" />
          </TableRow>
        </TableHead>
        <TableBody>
          {shown.map((s) => (
            <PersonRow key={s.id} person={s} onChange={isArchived ? null : () => onChange(s)} />
          ))}
        </TableBody>
      </Table>
      <MoreRows
        shown={shown.length}
        rows={list.rows ?? found.length}
        onMore={() => set("shown", String(shownOf(values) + PAGE))}
      />
    </Box>
  );
}

function Nobody({ search, archived }: { search: string; archived: boolean }) {
  return (
    <Box sx={{ px: { xs: 2, sm: 3 }, py: 4, color: "text.secondary" }}>
      {search
        ? "Nobody is found by these words."
        : archived
          ? "Nobody is archived. Who leaves is archived: out of the lists, the log stays."
          : "Nobody is here yet. Add a person, or read a table with a column “name”."}
    </Box>
  );
}

/** One person of the list; who is archived cannot be changed. */
function PersonRow({ person: s, onChange }: { person: PersonView; onChange: (() => void) | null }) {
  return (
    <TableRow>
      <TableCell>
        <Box component={Link} to={`/people/${s.id}`} sx={{ color: "inherit", fontWeight: 700 }}>
          {s.name}
        </Box>
        {AGE_WORDS[s.age]}
        {s.age === "minor" && s.ages ? `, ${s.ages}` : ""}
      </TableCell>
      <TableCell className="measure">{s.height_cm === null ? "–" : `${s.height_cm} cm`}</TableCell>
      <TableCell className="measure">{s.reach_cm === null ? "–" : `${s.reach_cm} cm`}</TableCell>
      <TableCell className="measure">{s.mass_kg === null ? "–" : `${s.mass_kg} kg`}</TableCell>
      <TableCell>{s.lead}</TableCell>
      <TableCell>{s.hand}</TableCell>
      <TableCell>
        {FAMILIES.filter((f) => s.levels[f] !== undefined)
          .map((f) => `${f} ${s.levels[f]!}`)
          .join(", ") || "–"}
      </TableCell>
      <TableCell>{[...s.limits, s.agreed].filter(Boolean).join("; ")}</TableCell>
      <TableCell>
        {onChange === null ? (
          <Archived person={s} />
        ) : (
          <Button size="small" variant="outlined" aria-label={`Change ${s.name}`} onClick={onChange}>
            Change
          </Button>
        )}
      </TableCell>
    </TableRow>
  );
}

/** Back into the lists, or out for good. */
function Archived({ person }: { person: PersonView }) {
  const fetcher = useFetcher<typeof action>();
  const [sure, setSure] = useState(false);
  const send = (intent: string) => void fetcher.submit({ intent, id: person.id }, { method: "post" });
  return (
    <Stack direction="row" spacing={1}>
      <Button size="small" variant="outlined" onClick={() => send("restore")}>
        Take back
      </Button>
      {sure ? (
        <Button size="small" variant="contained" color="error" onClick={() => send("erase")}>
          Really erase {person.name}
        </Button>
      ) : (
        <Button size="small" variant="text" color="inherit" onClick={() => setSure(true)}>
          Erase…
        </Button>
      )}
    </Stack>
  );
}
