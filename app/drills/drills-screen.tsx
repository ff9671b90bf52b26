import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useFetcher, useNavigate, useRevalidator } from "react-router";
import type { ListPart } from "#server/drills/drill-list.ts";
import type { JudgingView } from "#server/views.ts";
import type { action } from "../routes/drills.tsx";
import type { loader as search } from "../routes/search.ts";
import { listed, SORTS, tagsOf, USUAL, type DrillListRow } from "#core/lists/drill-list.ts";
import { ChosenBar } from "./chosen-bar.tsx";
import { LIST } from "./drill-row.tsx";
import { DrillTable } from "./drill-table.tsx";
import { Tour } from "./tour.tsx";
import { DeletedLink } from "../ui/deleted-link.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { ask } from "../workers/client.ts";
import { PasteNotes } from "./paste-notes.tsx";
import { ReadFile } from "./read-file.tsx";
import { useSavedDrill } from "./use-saved-drill.ts";
import { PAGE, shownOf, sortingOf } from "#core/lists/rows-shown.ts";
import { useFilters } from "../ui/use-filters.ts";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { SearchField } from "../ui/search-field.tsx";
import { DoneSnackbar } from "../ui/done-snackbar.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";

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
/** So many tags are offered; the search finds all. */
const MOST_TAGS = 12;
const STARS = [
  { value: "all", label: "All" },
  { value: "starred", label: "Starred" },
] as const;

/** The school's drills: find one, or start one from a feed. */
export function DrillsScreen({
  drills,
  part = null,
  deleted = 0,
  judging = null,
  tour = false,
}: {
  drills: readonly DrillListRow[];
  /** Of a long list only a part is here. */
  part?: ListPart | null;
  /** How many things were deleted and can be brought back. */
  deleted?: number;
  /** Stored verdicts that are being worked out again; null where none are. */
  judging?: JudgingView | null;
  /** Somebody is here for the first time. */
  tour?: boolean;
}) {
  useJudging(judging);
  const { values, set, params } = useFilters(USUAL);
  const byMove = useDrillsByMove(values.q);
  const groups = useMemo(() => listed(drills, values, byMove), [drills, values, byMove]);
  const most = part?.most ?? Math.max(1, ...drills.map((d) => d.load_total));
  const allTags = useMemo(() => part?.tags ?? tagsOf(drills), [part, drills]);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  // What was deleted meanwhile, here or elsewhere, is not chosen any more.
  const chosenDrills = useMemo(() => drills.filter(({ id }) => chosen.has(id)), [drills, chosen]);
  return (
    <>
      <ScreenHead
        title="Drills"
        lead={
          <>
            Who throws what, and what answers it: each drill is checked for two bodies, and grows into ladders and
            classes. <Link to="/help">Help: how to write a drill</Link>
          </>
        }
      >
        <ForTeachers>
          <Beginnings open={params.has("new")} leads={!tour} />
        </ForTeachers>
      </ScreenHead>
      {judging && (
        <Notice>
          The verdicts are being worked out again: {judging.done} of {judging.total}. The list follows by itself.
        </Notice>
      )}
      <ForTeachers>{tour && <Tour drills={drills} />}</ForTeachers>
      <WhatWasDone />
      <Filters values={values} onSet={set} tags={allTags.slice(0, MOST_TAGS)} />
      {chosenDrills.length > 0 && (
        <ChosenBar drills={chosenDrills} tags={allTags} onClear={() => setChosen(new Set())} />
      )}
      <DrillTable
        groups={groups.slice(0, shownOf(values))}
        rows={part?.rows ?? groups.length}
        most={most}
        sort={sortingOf(values, SORTS)}
        onSort={({ key, down }) => {
          set("sort", key);
          set("down", down ? "yes" : "no");
        }}
        onMore={() => set("shown", String(shownOf(values) + PAGE))}
        chosen={chosen}
        onChoose={setChosen}
      />
      {groups.length === 0 && (
        <Box sx={{ p: 4, color: "text.secondary" }}>
          {drills.length === 0
            ? "No drills yet. Write a feed above, for example “A jab”, and go on at the desk."
            : "No drill fits. Take a filter away, or search for another word."}
        </Box>
      )}
      <Legend />
      <ForTeachers>
        <DeletedLink count={deleted} />
      </ForTeachers>
    </>
  );
}

interface FiltersProps {
  readonly values: typeof USUAL;
  readonly onSet: (key: keyof typeof USUAL, value: string) => void;
  readonly tags: readonly string[];
}

const Filters = ({ values, onSet, tags }: FiltersProps) => (
  <Stack
    direction="row"
    sx={{ flexWrap: "wrap", gap: 3, rowGap: 0.5, alignItems: "end", px: { xs: 2, sm: 3 }, pb: 1.5, ...NOT_ON_PAPER }}
  >
    <SearchField label="Search drills and moves" value={values.q} onChange={(q) => onSet("q", q)} />
    <WordChoice label="Kind" options={KINDS} value={values.kind} onChange={(v) => onSet("kind", v)} />
    <WordChoice label="Verdict" options={VERDICTS} value={values.verdict} onChange={(v) => onSet("verdict", v)} />
    <WordChoice label="Stars" options={STARS} value={values.stars} onChange={(v) => onSet("stars", v)} />
    {tags.length > 0 && (
      <WordChoice
        label="Tags"
        options={[{ value: "all", label: "Any tag" }, ...tags.map((tag) => ({ value: tag, label: tag }))]}
        value={values.tag}
        onChange={(v) => onSet("tag", v)}
      />
    )}
  </Stack>
);

/** What came of the last deletion, and the way back. */
function WhatWasDone() {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  const navigate = useNavigate();
  const done = fetcher.data?.kind === "changed" || !fetcher.data || "message" in fetcher.data ? null : fetcher.data;
  return (
    <>
      <DoneSnackbar
        last={done}
        onAct={({ kind, id, title }) =>
          kind === "copied"
            ? void navigate(`/drills/${id}`)
            : void fetcher.submit({ intent: "restore", ids: id, title }, { method: "post" })
        }
      />
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
    </>
  );
}

/** What the rings and the load say, where they stand. */
const Legend = () => (
  <Stack
    component="ul"
    aria-label="What the signs mean"
    direction="row"
    sx={{
      m: 0,
      px: { xs: 2, sm: 3 },
      pb: 3,
      listStyle: "none",
      flexWrap: "wrap",
      columnGap: 3,
      rowGap: 1,
      color: "text.secondary",
      fontSize: "0.95rem",
    }}
  >
    {SIGNS.map(({ verdict, means }) => (
      <Stack component="li" key={verdict} direction="row" spacing={1} sx={{ alignItems: "center" }}>
        <VerdictRing verdict={verdict} /> {means}
      </Stack>
    ))}
    <li>Load: how hard it is to do. One slow exchange is about 3, a long drill with choices 10 and more.</li>
  </Stack>
);
const SIGNS = [
  { verdict: "sound", means: "every answer holds" },
  { verdict: "risky", means: "works, with a risk" },
  { verdict: "broken", means: "something gets through" },
] as const;

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

/** Returns the first row of a drill: the words that were typed, read, up to where the answer begins. */
async function firstRow(text: string): Promise<string> {
  const [line] = await ask("readNotes", { page: text }).catch(() => []);
  const read = line?.kept.length === 0 ? line.proposals[0]?.text : undefined;
  const row = read ?? (/^[abc]\b/i.test(text) ? text : `A ${text}`);
  return /->|→|<>/.test(row) ? row : `${row} -> B `;
}

/** The ways to a new drill: a file, notes, or a feed. */
const Beginnings = (props: { readonly open: boolean; readonly leads: boolean }) => (
  <>
    <ReadFile />
    <PasteNotes />
    <StartDrill {...props} />
  </>
);

/** A new drill is a feed and a line to go on from; it `leads` where nothing else is the next step. */
function StartDrill({ open, leads }: { open: boolean; leads: boolean }) {
  const [feed, setFeed] = useState("");
  const { save, busy } = useSavedDrill();
  // The checker reads the words first; the first time it has to be loaded for that.
  const [reads, setReads] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (open) input.current?.focus();
  }, [open]);
  const start = async () => {
    const text = feed.trim();
    // Without a feed it is empty: the desk says how to go on, by typing or by choosing.
    const title = text === "" ? "New drill" : text.replace(/^[abc]\s+/i, "");
    setReads(true);
    const play = text === "" ? "" : `${await firstRow(text)}\n`;
    setReads(false);
    const score = `title: ${title}\nkind: feeder\nA: lead left\nB: lead left\ntempo: 50%\n\n${play}`;
    save(score);
  };
  return (
    <Stack
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        void start();
      }}
      direction="row"
      spacing={1}
      sx={{ alignItems: "end" }}
    >
      <SearchField label="Start from" placeholder="for example: jab" value={feed} onChange={setFeed} inputRef={input} />
      <Button type="submit" variant={leads ? "contained" : "outlined"} disabled={busy || reads}>
        {reads ? "Reading…" : "New drill"}
      </Button>
    </Stack>
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
