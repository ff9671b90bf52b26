/** The people of the school: measures, levels, limits, wishes; gear; import and export. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMemo, useState } from "react";
import { Link, useFetcher } from "react-router";
import type { Wish } from "#core/pairs/score.ts";
import { FAMILIES } from "#core/people/families.ts";
import type { PersonView } from "#server/views.ts";
import type { action } from "../routes/people.tsx";
import { Table } from "../ui/data-table.tsx";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { later } from "../ui/later.tsx";
import { SearchField } from "../ui/search-field.tsx";

const GearList = later(async () => (await import("./gear-list.tsx")).GearList);
const ImportPeople = later(async () => (await import("./import-people.tsx")).ImportPeople);
const PersonDialog = later(async () => (await import("./person-dialog.tsx")).PersonDialog);

const PARTS = [
  { value: "people", label: "People" },
  { value: "archived", label: "Archived" },
  { value: "gear", label: "Gear" },
] as const;

/** Rows drawn at once; the search finds the others. */
const MOST_ROWS = 300;

type SortKey = "name" | "height" | "mass" | "level";
const ORDER: Record<SortKey, (s: PersonView) => string | number> = {
  name: (s) => s.name.toLowerCase(),
  height: (s) => s.height_cm ?? Infinity,
  mass: (s) => s.mass_kg ?? Infinity,
  level: (s) => -(s.levels.feeder ?? 0),
};

interface PeopleProps {
  /** Whose card is open at first. */
  readonly asked?: string | null;
  readonly people: readonly PersonView[];
  readonly archived: readonly PersonView[];
  readonly wishes: readonly Wish[];
  readonly gear: readonly { readonly kind: string; readonly count: number }[];
}

export function PeopleScreen({ asked = null, people, archived, wishes, gear }: PeopleProps) {
  const [part, setPart] = useState<(typeof PARTS)[number]["value"]>("people");
  const [search, setSearch] = useState("");
  const [sort, setSort] = useState<SortKey>("name");
  const [open, setOpen] = useState<PersonView | "new" | null>(() => people.find(({ id }) => id === asked) ?? null);
  const [importing, setImporting] = useState(false);
  const shown = useMemo(() => {
    const words = search.trim().toLowerCase();
    const all = (part === "archived" ? archived : people).filter((s) =>
      [s.name, ...s.limits, s.agreed].join(" ").toLowerCase().includes(words),
    );
    const of = ORDER[sort];
    return [...all].sort((a, b) => (of(a) < of(b) ? -1 : of(a) > of(b) ? 1 : a.name.localeCompare(b.name)));
  }, [people, archived, part, search, sort]);
  const head = (key: SortKey, label: string) => (
    <th scope="col" aria-sort={sort === key ? "ascending" : "none"}>
      <Button
        variant="text"
        color="inherit"
        size="small"
        sx={{ p: 0, minWidth: 0, fontSize: "1rem", fontWeight: 600 }}
        onClick={() => setSort(key)}
      >
        {label}
        {sort === key ? " ↑" : ""}
      </Button>
    </th>
  );
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
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 2,
          alignItems: "center",
          px: { xs: 2, sm: 3 },
          borderBottom: 1,
          borderColor: "hairline",
        }}
      >
        <WordChoice label="What is shown" options={PARTS} value={part} onChange={setPart} />
        {part !== "gear" && <SearchField label="Search people" value={search} onChange={setSearch} width={220} />}
      </Box>
      {part === "gear" ? (
        <GearList gear={gear} />
      ) : shown.length === 0 ? (
        <Nobody search={search} archived={part === "archived"} />
      ) : (
        <Box
          sx={{ px: { xs: 0.5, sm: 2 }, pb: 4, overflowX: "auto", position: "relative" }}
          tabIndex={0}
          role="region"
          aria-label="People"
        >
          <Table>
            <thead>
              <tr>
                {head("name", "Name")}
                {head("height", "Height")}
                <th scope="col">Reach</th>
                {head("mass", "Mass")}
                <th scope="col">Leads</th>
                <th scope="col">Hand</th>
                {head("level", "Levels")}
                <th scope="col">Limits and agreements</th>
                <th scope="col" aria-label="Change" />
              </tr>
            </thead>
            <tbody>
              {shown.slice(0, MOST_ROWS).map((s) => (
                <PersonRow key={s.id} person={s} onChange={part === "archived" ? null : () => setOpen(s)} />
              ))}
            </tbody>
          </Table>
          {shown.length > MOST_ROWS && (
            <Notice>
              {MOST_ROWS} of {shown.length} are shown; search for the others.
            </Notice>
          )}
        </Box>
      )}
      {open && (
        <PersonDialog
          person={open === "new" ? null : (people.find((p) => p.id === open.id) ?? open)}
          people={people}
          wishes={wishes}
          onClose={() => setOpen(null)}
        />
      )}
      {importing && <ImportPeople known={people.map((p) => p.name)} onClose={() => setImporting(false)} />}
    </>
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
    <tr>
      <td>
        <Box component={Link} to={`/people/${s.id}`} sx={{ color: "inherit", fontWeight: 700 }}>
          {s.name}
        </Box>
        {s.minor ? ` · minor${s.ages ? `, ${s.ages}` : ""}` : ""}
      </td>
      <td>{s.height_cm === null ? "–" : `${s.height_cm} cm`}</td>
      <td>{s.reach_cm === null ? "–" : `${s.reach_cm} cm`}</td>
      <td>{s.mass_kg === null ? "–" : `${s.mass_kg} kg`}</td>
      <td>{s.lead}</td>
      <td>{s.hand}</td>
      <td>
        {FAMILIES.filter((f) => s.levels[f] !== undefined)
          .map((f) => `${f} ${s.levels[f]!}`)
          .join(", ") || "–"}
      </td>
      <td>{[...s.limits, s.agreed].filter(Boolean).join("; ")}</td>
      <td>
        {onChange === null ? (
          <Archived person={s} />
        ) : (
          <Button size="small" variant="outlined" aria-label={`Change ${s.name}`} onClick={onChange}>
            Change
          </Button>
        )}
      </td>
    </tr>
  );
}

/** Back into the lists, or out for good. */
function Archived({ person }: { person: PersonView }) {
  const fetcher = useFetcher<typeof action>();
  const [sure, setSure] = useState(false);
  const send = (intent: string) => void fetcher.submit({ intent, id: person.id }, { method: "post" });
  return (
    <Box sx={{ display: "flex", gap: 1 }}>
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
    </Box>
  );
}
