/** The term: classes on their days, themes over the weeks, who met whom, what was trained. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import dayjs from "dayjs";
import { useState } from "react";
import { Link, useFetcher, type FetcherWithComponents } from "react-router";
import type { TrainedText } from "#core/answers/trained.ts";
import type { TermPage } from "#server/views.ts";
import type { action } from "../routes/term.tsx";
import { DoneSnackbar } from "../ui/done-snackbar.tsx";
import { shortDate } from "../ui/dates.ts";
import { MoreMenu } from "../ui/more-menu.tsx";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { DeletedLink } from "../ui/deleted-link.tsx";
import { later } from "../ui/later.tsx";
import { ForTeachers } from "../ui/role.tsx";

const TrainedView = later(async () => (await import("./trained-view.tsx")).TrainedView);
const ClassDialog = later(async () => (await import("./class-dialogs.tsx")).ClassDialog);
const CopyDialog = later(async () => (await import("./class-dialogs.tsx")).CopyDialog);
import { Row, Rows } from "../ui/rows.tsx";

const VIEWS = [
  { value: "list", label: "List" },
  { value: "weeks", label: "Weeks" },
  { value: "people", label: "Who met whom" },
  { value: "trained", label: "What was trained" },
] as const;
type Lesson = TermPage["classes"][number];

export function TermScreen({
  classes,
  people,
  today,
  deleted,
  templates,
  trained,
}: TermPage & { readonly trained: readonly TrainedText[] }) {
  const [view, setView] = useState<(typeof VIEWS)[number]["value"]>("list");
  const [open, setOpen] = useState<Lesson | "new" | null>(null);
  const fetcher = useFetcher<typeof action>();
  const next = useFetcher<typeof action>({ key: "next class" });
  const done = fetcher.data;
  const undone = done?.kind === "deleted" || done?.kind === "restored" ? done : null;
  const send = (intent: "delete" | "restore", { id, title }: Pick<Lesson, "id" | "title">) =>
    void fetcher.submit({ intent, id, title }, { method: "post" });
  const [copy, setCopy] = useState<Lesson | null>(null);
  const ahead = classes.filter((c) => c.held_on >= today).length;
  const byDay = [...classes].sort(
    (a, b) => a.held_on.localeCompare(b.held_on) || a.starts_at.localeCompare(b.starts_at),
  );
  const clashes = byDay.filter((c) => c.clash.length > 0);
  return (
    <>
      <ScreenHead
        title="Term"
        lead={`${classes.length === 1 ? "1 class" : `${classes.length} classes`}, ${ahead} of them still to come.`}
      >
        <Ways onAdd={() => setOpen("new")} next={next} />
      </ScreenHead>
      {next.data && "message" in next.data && <Notice tone="trouble">{next.data.message}</Notice>}
      {clashes.map((c) => (
        <Notice key={c.id} tone="trouble">
          {c.clash.join(", ")} {c.clash.length === 1 ? "is" : "are"} ticked in two classes at the same time on{" "}
          {shortDate(c.held_on)}: take the tick out of one.
        </Notice>
      ))}
      <Box sx={{ px: { xs: 2, sm: 3 }, borderBottom: 1, borderColor: "hairline" }}>
        <WordChoice label="What is shown" options={VIEWS} value={view} onChange={setView} />
      </Box>
      {view === "list" && (
        <ClassList
          classes={byDay}
          today={today}
          onChange={setOpen}
          onCopy={setCopy}
          onDelete={(c) => send("delete", c)}
        />
      )}
      <ForTeachers>{view === "list" && <DeletedLink count={deleted} />}</ForTeachers>
      {view === "weeks" && <Weeks classes={byDay} today={today} />}
      {view === "people" && <WhoMetWhom people={people} />}
      {view === "trained" && <TrainedView texts={trained} />}
      {open && (
        <ClassDialog lesson={open === "new" ? null : open} onClose={() => setOpen(null)} {...{ today, templates }} />
      )}
      <DoneSnackbar last={undone} onAct={(last) => send("restore", last)} />
      {copy && <CopyDialog lesson={copy} onClose={() => setCopy(null)} />}
    </>
  );
}

/** The buttons of a term. */
const Ways = ({ onAdd, next }: { readonly onAdd: () => void; readonly next: FetcherWithComponents<unknown> }) => (
  <>
    <Button variant="outlined" component="a" href="/term.ics" download>
      Export calendar
    </Button>
    <ForTeachers>
      <Button
        variant="outlined"
        disabled={next.state !== "idle"}
        title="The same people a week later, on the theme that is due first; change what you like"
        onClick={() => void next.submit({ intent: "next" }, { method: "post" })}
      >
        Next class
      </Button>
      <Button variant="outlined" component={Link} to="/log">
        Log
      </Button>
    </ForTeachers>
    <Button variant="outlined" component={Link} to="/answers">
      Answer map
    </Button>
    <ForTeachers>
      <Button variant="contained" onClick={onAdd}>
        Add a class
      </Button>
    </ForTeachers>
  </>
);

const WhoMetWhom = ({ people }: Pick<TermPage, "people">) => (
  <Rows aria-label="Who met whom" sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
    {people.map((p) => (
      <Row
        key={p.id}
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "200px 120px 170px 1fr" }, py: 0.75 }}
      >
        <strong>{p.name}</strong>
        <span>{p.classes === 1 ? "1 class" : `${p.classes} classes`}</span>
        <span>
          met {p.partners} of {people.length - 1}
        </span>
        <Box sx={{ color: "text.secondary" }}>
          {p.most && p.most.times > 1 ? `most often ${p.most.name}, ${p.most.times} times` : ""}
        </Box>
      </Row>
    ))}
  </Rows>
);

interface ClassListProps {
  /** By day, the first one first. */
  readonly classes: readonly Lesson[];
  readonly today: string;
  readonly onChange: (lesson: Lesson) => void;
  readonly onCopy: (lesson: Lesson) => void;
  readonly onDelete: (lesson: Lesson) => void;
}

/** The classes, the last one first. */
function ClassList({ classes, today, onChange, onCopy, onDelete }: ClassListProps) {
  return (
    <Rows ordered aria-label="Classes" sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
      {[...classes].reverse().map((c) => (
        <Row
          key={c.id}
          sx={{
            display: "grid",
            gridTemplateColumns: {
              xs: "minmax(0,1fr)",
              md: "150px minmax(0,1fr) 170px",
              lg: "150px minmax(0,1fr) 170px auto",
            },
            gap: 1,
            alignItems: "center",
            py: 0.75,
            color: c.held_on < today ? "text.secondary" : undefined,
          }}
        >
          <Box sx={{ fontVariantNumeric: "tabular-nums" }}>
            {shortDate(c.held_on)}, {c.starts_at.slice(0, 5)}
          </Box>
          <Box>
            <Box component={Link} to={`/class/${c.id}`} sx={{ color: "inherit", fontWeight: 700, fontSize: "1.05rem" }}>
              {c.title}
            </Box>
            {c.theme && <Box>{c.theme}</Box>}
          </Box>
          <Box>
            {c.minutes} min, {c.here} here
          </Box>
          <ForTeachers>
            <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", gridColumn: { md: "1 / -1", lg: "auto" } }}>
              <Button size="small" variant="outlined" component={Link} to={`/class/${c.id}/plan`}>
                Plan
              </Button>
              <MoreMenu about={`${c.title}, ${shortDate(c.held_on)}`}>
                <MenuItem onClick={() => onChange(c)}>Change</MenuItem>
                <MenuItem onClick={() => onCopy(c)}>Copy</MenuItem>
                <MenuItem onClick={() => onDelete(c)}>Delete</MenuItem>
              </MoreMenu>
            </Stack>
          </ForTeachers>
        </Row>
      ))}
    </Rows>
  );
}

/** The weeks of the term with the days on which there is a class; a theme runs on from week to week. */
function Weeks({ classes, today }: { classes: readonly Lesson[]; today: string }) {
  const first = classes[0];
  const last = classes[classes.length - 1];
  if (!first || !last) return <Box sx={{ p: 3, color: "text.secondary" }}>No class yet. Add one.</Box>;
  // Monday first.
  const start = dayjs(first.held_on).subtract((dayjs(first.held_on).day() + 6) % 7, "day");
  const weeks = Math.min(60, dayjs(last.held_on).diff(start, "week") + 1);
  return (
    <Box
      sx={{ px: { xs: 2, sm: 3 }, pb: 4, overflowX: "auto", position: "relative" }}
      tabIndex={0}
      role="region"
      aria-label="Weeks"
    >
      {Array.from({ length: weeks }, (_, w) => {
        const monday = start.add(w, "week");
        return (
          <Box
            key={w}
            sx={{
              display: "grid",
              gridTemplateColumns: "90px repeat(7, minmax(84px, 1fr))",
              borderTop: 1,
              borderColor: "hairline",
              minHeight: 54,
            }}
          >
            <Box sx={{ color: "text.secondary", py: 0.75 }}>{monday.format("D MMM")}</Box>
            {Array.from({ length: 7 }, (_, d) => {
              const day = monday.add(d, "day").format("YYYY-MM-DD");
              return (
                <Box key={d} sx={{ py: 0.75, pr: 1, bgcolor: day === today ? "background.paper" : undefined }}>
                  {classes
                    .filter((c) => c.held_on === day)
                    .map((c) => (
                      <Box key={c.id}>
                        <Link to={`/class/${c.id}`} style={{ color: "inherit" }}>
                          {c.title}
                        </Link>
                        {c.theme && <Box sx={{ color: "text.secondary" }}>{c.theme}</Box>}
                      </Box>
                    ))}
                </Box>
              );
            })}
          </Box>
        );
      })}
    </Box>
  );
}
