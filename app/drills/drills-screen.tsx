import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { styled } from "@mui/material/styles";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useFetcher, useRevalidator } from "react-router";
import type { JudgingView } from "#server/views.ts";
import type { action } from "../routes/drills.tsx";
import { shortDate } from "../ui/frame.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { ReadFile } from "./read-file.tsx";
import { useFilters } from "../ui/use-filters.ts";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { UndoSnackbar } from "../ui/undo-snackbar.tsx";
import { UNSEEN } from "../ui/theme.ts";

export interface DrillListRow {
  readonly id: string;
  readonly title: string;
  readonly kind: string;
  readonly verdict: "sound" | "risky" | "broken";
  readonly load_total: number;
  readonly last_trained: string | null;
  readonly parent_title: string | null;
  readonly changed: string | null;
  readonly summary: {
    readonly level?: string | null;
    readonly tools?: readonly string[];
    readonly exchanges?: number;
    readonly findings?: number;
  };
}

interface DeletedDrill {
  readonly id: string;
  readonly title: string;
  readonly deleted_at: string;
}

type SortKey = "title" | "verdict" | "load" | "trained";
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
const RANK = { broken: 0, risky: 1, sound: 2 } as const;

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

/** The rows of the list and what is said above it share what was sent and what came of it. */
const LIST = "drills";

const FILTERS = { q: "", kind: "all", verdict: "all" };

/** The school's drills: find one, or start one from a feed. */
export function DrillsScreen({
  drills,
  deleted = [],
  judging = null,
}: {
  drills: readonly DrillListRow[];
  deleted?: readonly DeletedDrill[];
  /** Stored verdicts that are being worked out again; null where none are. */
  judging?: JudgingView | null;
}) {
  useJudging(judging);
  const { values, set, params } = useFilters(FILTERS);
  const query = values.q;
  const kind = values.kind as (typeof KINDS)[number]["value"];
  const verdict = values.verdict as (typeof VERDICTS)[number]["value"];
  const [sort, setSort] = useState<{ key: SortKey; down: boolean }>({ key: "title", down: false });
  const shown = useMemo(() => filtered(drills, query, kind, verdict, sort), [drills, query, kind, verdict, sort]);
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
      <Done />
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 3,
          rowGap: 0.5,
          alignItems: "center",
          px: { xs: 2, sm: 3 },
          pb: 1.5,
        }}
      >
        <TextField
          size="small"
          label="Search drills"
          value={query}
          onChange={(e) => set("q", e.target.value)}
          sx={{ width: 240 }}
        />
        <WordChoice label="Kind" options={KINDS} value={kind} onChange={(v) => set("kind", v)} />
        <WordChoice label="Verdict" options={VERDICTS} value={verdict} onChange={(v) => set("verdict", v)} />
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
                  Delete
                </Box>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((d) => (
              <DrillRow key={d.id} drill={d} most={most} />
            ))}
          </tbody>
        </Table>
        {shown.length === 0 && (
          <Box sx={{ p: 4, color: "text.secondary" }}>
            {drills.length === 0
              ? "No drills yet. Write a feed above, for example “A jab”, and go on at the desk."
              : "No drill fits. Take a filter away, or search for another word."}
          </Box>
        )}
      </Box>
      <Deleted drills={deleted} />
    </>
  );
}

const counted = (exchanges: number): string => (exchanges === 1 ? "1 exchange" : `${exchanges} exchanges`);

/** One drill of the list. `most`: the largest load in it. */
function DrillRow({ drill: d, most }: { readonly drill: DrillListRow; readonly most: number }) {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  return (
    <tr>
      <td>
        <VerdictRing verdict={d.verdict} />
      </td>
      <td>
        <Link to={`/drills/${d.id}`} prefetch="intent">
          {d.title}
        </Link>
        <Box sx={{ color: "text.secondary", fontSize: "0.92rem" }}>
          {d.changed ?? [d.summary.level, counted(d.summary.exchanges ?? 0)].filter(Boolean).join(", ")}
        </Box>
      </td>
      <td className="wide">{d.kind}</td>
      <td className="wide">{d.summary.tools?.join(", ") || "empty hands"}</td>
      <td className="wide">
        <LoadBar value={d.load_total} most={most} />
      </td>
      <td className="wide">{d.last_trained ? shortDate(d.last_trained) : "never"}</td>
      <td>
        <fetcher.Form method="post">
          <input type="hidden" name="id" value={d.id} />
          <input type="hidden" name="title" value={d.title} />
          <Button
            type="submit"
            name="intent"
            value="delete"
            size="small"
            color="inherit"
            aria-label={`Delete ${d.title}`}
            sx={{ minWidth: 0, color: "text.secondary" }}
          >
            Delete
          </Button>
        </fetcher.Form>
      </td>
    </tr>
  );
}

/** What came of the last deletion, and the way back. */
function Done() {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  const done = fetcher.data && "title" in fetcher.data ? fetcher.data : null;
  return (
    <>
      <UndoSnackbar
        last={done}
        onUndo={({ id, title }) => void fetcher.submit({ intent: "restore", id, title }, { method: "post" })}
      />
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
    </>
  );
}

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

function filtered(
  drills: readonly DrillListRow[],
  query: string,
  kind: string,
  verdict: string,
  sort: { key: SortKey; down: boolean },
): DrillListRow[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = drills.filter((d) => {
    const text =
      `${d.title} ${d.kind} ${d.summary.level ?? ""} ${d.summary.tools?.join(" ") ?? ""} ${d.changed ?? ""}`.toLowerCase();
    return (
      words.every((w) => text.includes(w)) &&
      (kind === "all" || d.kind === kind) &&
      (verdict === "all" || d.verdict === verdict)
    );
  });
  const by: Record<SortKey, (a: DrillListRow, b: DrillListRow) => number> = {
    title: (a, b) => a.title.localeCompare(b.title),
    verdict: (a, b) => RANK[a.verdict] - RANK[b.verdict],
    load: (a, b) => a.load_total - b.load_total,
    trained: (a, b) => (a.last_trained ?? "").localeCompare(b.last_trained ?? ""),
  };
  return found.sort((a, b) => by[sort.key](a, b) * (sort.down ? -1 : 1) || a.title.localeCompare(b.title));
}

/** Load as a length beside its number. */
export function LoadBar({ value, most }: { value: number; most: number }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
      <Box component="span" sx={{ width: 36, textAlign: "right" }}>
        {value.toFixed(1)}
      </Box>
      <Box aria-hidden sx={{ width: 90, height: 6, borderBottom: 1, borderColor: "hairline", position: "relative" }}>
        <Box sx={{ position: "absolute", inset: 0, width: `${(100 * value) / most}%`, bgcolor: "text.secondary" }} />
      </Box>
    </Box>
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
        label="Start from a feed"
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
