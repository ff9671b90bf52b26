import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { styled } from "@mui/material/styles";
import { Fragment, useEffect, useMemo, useRef, useState } from "react";
import { Link, useFetcher, useNavigate, useRevalidator } from "react-router";
import type { JudgingView } from "#server/views.ts";
import type { action } from "../routes/drills.tsx";
import type { loader as search } from "../routes/search.ts";
import {
  filtered,
  grouped,
  isFiltered,
  NO_FILTERS,
  sorted,
  type DrillGroup,
  type DrillListRow,
  type SortKey,
  type Sorting,
} from "./drill-list.ts";
import { DrillRow, LIST } from "./drill-row.tsx";
import { Tour } from "./tour.tsx";
import { shortDate } from "../ui/dates.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { ReadFile } from "./read-file.tsx";
import { useFilters } from "../ui/use-filters.ts";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { DoneSnackbar } from "../ui/done-snackbar.tsx";
import { NOT_ON_PAPER, UNSEEN } from "../ui/theme.ts";

interface DeletedDrill {
  readonly id: string;
  readonly title: string;
  readonly deleted_at: string;
}

const KINDS = [
  { value: "all", label: "All kinds" },
  { value: "feeder", label: "Feeder" },
  { value: "flow", label: "Flow" },
  { value: "sensitivity", label: "Sensitivity" },
] as const;
const VERDICTS = [
  { value: "all", label: "Any verdict" },
  { value: "sound", label: "Sound" },
  { value: "risky", label: "Risky" },
  { value: "broken", label: "Broken" },
] as const;
const STARS = [
  { value: "all", label: "All" },
  { value: "starred", label: "Starred" },
] as const;

const Table = styled("table")(({ theme }) => ({
  width: "100%",
  borderCollapse: "collapse",
  "& th": {
    textAlign: "left",
    fontWeight: 600,
    color: theme.vars?.palette.text.secondary,
    padding: "4px 12px",
    fontSize: "0.92rem",
  },
  "& td": { padding: "6px 12px", borderTop: `1px solid ${theme.vars?.palette.hairline}`, verticalAlign: "middle" },
  "& tbody tr:hover": { background: theme.vars?.palette.background.paper },
  "& a": {
    color: "inherit",
    fontWeight: 650,
    fontSize: "1.05rem",
    textDecorationColor: theme.vars?.palette.hairline,
    textUnderlineOffset: 4,
  },
  [theme.breakpoints.down("md")]: { "& .wide": { display: "none" } },
  // On paper the list alone, without what can be pressed.
  "@media print": { "& th:last-child, & td:last-child": { display: "none" } },
}));
const SortButton = styled("button")({
  font: "inherit",
  color: "inherit",
  fontWeight: 600,
  background: "none",
  border: 0,
  padding: "8px 0",
  cursor: "pointer",
});

/** The school's drills: find one, or start one from a feed. */
export function DrillsScreen({
  drills,
  deleted = [],
  judging = null,
  tour = false,
}: {
  drills: readonly DrillListRow[];
  deleted?: readonly DeletedDrill[];
  /** Stored verdicts that are being worked out again; null where none are. */
  judging?: JudgingView | null;
  /** Somebody is here for the first time. */
  tour?: boolean;
}) {
  useJudging(judging);
  const { values, set, params } = useFilters(NO_FILTERS);
  const kind = values.kind as (typeof KINDS)[number]["value"];
  const verdict = values.verdict as (typeof VERDICTS)[number]["value"];
  const stars = values.stars as (typeof STARS)[number]["value"];
  const [sort, setSort] = useState<Sorting>({ key: "title", down: false });
  const byMove = useDrillsByMove(values.q);
  const groups = useMemo(() => {
    const all = sorted(filtered(drills, values, byMove), sort);
    // What was looked for stands for itself; else ladders are folded into the drill that they come from.
    return isFiltered(values) ? all.map((drill) => ({ drill, below: [] })) : grouped(all);
  }, [drills, values, byMove, sort]);
  const most = Math.max(1, ...drills.map((d) => d.load_total));
  const head = (key: SortKey, label: string, className?: string) => (
    <th
      scope="col"
      className={className}
      aria-sort={sort.key === key ? (sort.down ? "descending" : "ascending") : "none"}
    >
      <SortButton type="button" onClick={() => setSort({ key, down: sort.key === key && !sort.down })}>
        {label} <span aria-hidden>{sort.key === key ? (sort.down ? "↓" : "↑") : ""}</span>
      </SortButton>
    </th>
  );
  return (
    <>
      <ScreenHead
        title="Drills"
        lead={
          <>
            Who throws what, and what answers it: each drill is checked for two bodies, and grows into ladders and
            classes. <Link to="/help">How it goes</Link>
          </>
        }
      >
        <ReadFile />
        <StartDrill open={params.has("new")} />
      </ScreenHead>
      {judging && (
        <Notice>
          The verdicts are being worked out again: {judging.done} of {judging.total}. The list follows by itself.
        </Notice>
      )}
      {tour && <Tour drills={drills} />}
      <WhatWasDone />
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 3,
          rowGap: 0.5,
          alignItems: "center",
          px: { xs: 2, sm: 3 },
          pb: 1.5,
          ...NOT_ON_PAPER,
        }}
      >
        <TextField
          size="small"
          label="Search drills and moves"
          value={values.q}
          onChange={(e) => set("q", e.target.value)}
          sx={{ width: 240 }}
        />
        <WordChoice label="Kind" options={KINDS} value={kind} onChange={(v) => set("kind", v)} />
        <WordChoice label="Verdict" options={VERDICTS} value={verdict} onChange={(v) => set("verdict", v)} />
        <WordChoice label="Stars" options={STARS} value={stars} onChange={(v) => set("stars", v)} />
      </Box>
      <Box sx={{ px: { xs: 0.5, sm: 1.5 }, pb: 4 }}>
        <Table>
          <thead>
            <tr>
              {head("verdict", "Verdict")}
              {head("title", "Drill")}
              <th scope="col" className="wide">
                Kind
              </th>
              <th scope="col" className="wide">
                Tools
              </th>
              {head("load", "Load", "wide")}
              {head("trained", "Last trained", "wide")}
              <th scope="col">
                <Box component="span" sx={UNSEEN}>
                  Star, copy, delete
                </Box>
              </th>
            </tr>
          </thead>
          <tbody>
            <Groups groups={groups} most={most} />
          </tbody>
        </Table>
        {groups.length === 0 && (
          <Box sx={{ p: 4, color: "text.secondary" }}>
            {drills.length === 0
              ? "No drills yet. Write a feed above, for example “A jab”, and go on at the desk."
              : "No drill fits. Take a filter away, or search for another word."}
          </Box>
        )}
      </Box>
      <Legend />
      <Deleted drills={deleted} />
    </>
  );
}

/** Drills, each with what was made from it folded below. `most`: the largest load in the list. */
function Groups({ groups, most }: { readonly groups: readonly DrillGroup[]; readonly most: number }) {
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const toggle = (id: string) =>
    setOpen((now) => new Set(now.has(id) ? [...now].filter((one) => one !== id) : [...now, id]));
  return groups.map(({ drill, below }) => {
    const fold = { count: below.length, open: open.has(drill.id), onToggle: () => toggle(drill.id) };
    return (
      <Fragment key={drill.id}>
        <DrillRow drill={drill} most={most} {...(below.length > 0 ? { fold } : {})} />
        {fold.open && below.map((one) => <DrillRow key={one.id} drill={one} most={most} below />)}
      </Fragment>
    );
  });
}

/** What came of the last deletion, and the way back. */
function WhatWasDone() {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  const navigate = useNavigate();
  const done = fetcher.data?.kind === "starred" || !fetcher.data || "message" in fetcher.data ? null : fetcher.data;
  return (
    <>
      <DoneSnackbar
        last={done}
        onAct={({ kind, id, title }) =>
          kind === "copied"
            ? void navigate(`/drills/${id}`)
            : void fetcher.submit({ intent: "restore", id, title }, { method: "post" })
        }
      />
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
    </>
  );
}

/** What the rings and the load say, where they stand. */
const Legend = () => (
  <Box
    component="ul"
    aria-label="What the signs mean"
    sx={{
      m: 0,
      px: { xs: 2, sm: 3 },
      pb: 3,
      listStyle: "none",
      display: "flex",
      flexWrap: "wrap",
      columnGap: 3,
      rowGap: 1,
      color: "text.secondary",
      fontSize: "0.95rem",
    }}
  >
    {SIGNS.map(({ verdict, means }) => (
      <Box component="li" key={verdict} sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        <VerdictRing verdict={verdict} /> {means}
      </Box>
    ))}
    <li>Load: how hard it is to do. One slow exchange is about 3, a long drill with choices 10 and more.</li>
  </Box>
);
const SIGNS = [
  { verdict: "sound", means: "every answer holds" },
  { verdict: "risky", means: "works, with a risk" },
  { verdict: "broken", means: "something gets through" },
] as const;

/** Drills that were deleted, each with its way back. */
function Deleted({ drills }: { drills: readonly DeletedDrill[] }) {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  if (drills.length === 0) return null;
  return (
    <Box component="details" sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
      <Box component="summary" sx={{ cursor: "pointer", py: 1, color: "text.secondary" }}>
        {drills.length === 1 ? "One deleted drill" : `${drills.length} deleted drills`}
      </Box>
      <Rows aria-label="Deleted drills" sx={{ maxWidth: 620 }}>
        {drills.map(({ id, title, deleted_at }) => (
          <Row key={id} sx={{ display: "flex", alignItems: "center", gap: 2, py: 0.5 }}>
            <Box sx={{ flex: 1 }}>{title}</Box>
            <Box sx={{ color: "text.secondary" }}>{shortDate(deleted_at)}</Box>
            <Button
              size="small"
              variant="outlined"
              aria-label={`Bring back ${title}`}
              onClick={() => void fetcher.submit({ intent: "restore", id, title }, { method: "post" })}
            >
              Bring it back
            </Button>
          </Row>
        ))}
      </Rows>
    </Box>
  );
}

/** Rest of typing before drills are looked through for a move, ms. */
const QUIET = 250;
const NONE: ReadonlySet<string> = new Set();

/** The drills in whose rows the words stand for a move; none while nobody knows yet. */
function useDrillsByMove(query: string): ReadonlySet<string> {
  const { load, data } = useFetcher<typeof search>();
  const asked = query.trim();
  useEffect(() => {
    if (asked.length < 3) return;
    const timer = setTimeout(() => void load(`/search?drills=all&q=${encodeURIComponent(asked)}`), QUIET);
    return () => clearTimeout(timer);
  }, [asked, load]);
  return useMemo(
    () => (asked.length < 3 || !data ? NONE : new Set(data.drills.map(({ id }) => id))),
    [asked.length, data],
  );
}

/** A new drill is a feed and a line to go on from. */
function StartDrill({ open }: { open: boolean }) {
  const [feed, setFeed] = useState("");
  const fetcher = useFetcher<typeof action>();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (open) input.current?.focus();
  }, [open]);
  const start = () => {
    const text = feed.trim() || "A jab";
    const line = /^[abc]\b/i.test(text) ? text : `A ${text}`;
    const score = `title: ${text.replace(/^[abc]\s+/i, "")}\nkind: feeder\nA: lead left\nB: lead left\ntempo: 50%\n\n${line}${/->|→|<>/.test(line) ? "" : " -> B "}\n`;
    void fetcher.submit({ id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text: score }, { method: "post" });
  };
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        start();
      }}
      sx={{ display: "flex", gap: 1 }}
    >
      <TextField
        size="small"
        label="First attack"
        placeholder="A jab"
        value={feed}
        onChange={(e) => setFeed(e.target.value)}
        inputRef={input}
      />
      <Button type="submit" variant="contained" disabled={fetcher.state !== "idle"}>
        New drill
      </Button>
    </Box>
  );
}

/** How often a list asks for the verdicts that are still being worked out, ms. */
const ASK_AGAIN = 1500;

/** Reads the list again while verdicts are being worked out. */
function useJudging(judging: JudgingView | null): void {
  const { revalidate, state } = useRevalidator();
  const waits = judging !== null && state === "idle";
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => void revalidate(), ASK_AGAIN);
    return () => clearTimeout(timer);
  }, [waits, revalidate]);
}
