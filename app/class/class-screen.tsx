import type { PairView, PersonView } from "#server/views.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { gearLabel } from "#core/class/gear.ts";
import type { action } from "../routes/class.tsx";
import { Attendance } from "./attendance.tsx";
import { MinutesChoice } from "./minutes-choice.tsx";
import { shortDate } from "../ui/dates.ts";
import { PartnerMark, VerdictRing } from "../ui/marks.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface DrillChoice {
  readonly id: string;
  readonly title: string;
  readonly verdict: "sound" | "risky" | "broken";
  readonly kind: string;
  readonly load: number;
  readonly parent: string | null;
}

interface ClassProps {
  readonly lesson: {
    readonly id: string;
    readonly title: string;
    readonly held_on: string;
    readonly minutes: number;
    readonly version: number;
  };
  readonly students: readonly PersonView[];
  readonly present: readonly string[];
  /** What somebody leaves out tonight, by their id. */
  readonly not: Readonly<Record<string, readonly string[]>>;
  readonly pairs: readonly PairView[];
  readonly drills: readonly DrillChoice[];
  readonly gear: readonly { readonly kind: string; readonly count: number }[];
  /** Rounds of the plan of the evening; null where there is none. */
  readonly planned: number | null;
}

/** Tonight: who is here, what we work on, who with whom, and the card. */
export function ClassScreen({ lesson, students, present, not, pairs, drills, gear, planned }: ClassProps) {
  const here = new Set(present);
  return (
    <>
      <ScreenHead
        title={lesson.title}
        lead={`${shortDate(lesson.held_on)}, ${lesson.minutes} minutes. ${here.size} of ${students.length} are here.`}
      >
        {pairs.length > 0 && planned === null && (
          <Button variant="outlined" component={Link} to={`/class/${lesson.id}/card`}>
            Card to print
          </Button>
        )}
        <ForTeachers others={planned !== null && <OnTheFloor id={lesson.id} />}>
          <MinutesChoice lesson={lesson} />
          <Button
            variant={planned === null ? "contained" : "outlined"}
            component={Link}
            to={`/class/${lesson.id}/plan`}
          >
            {planned === null ? "Plan the evening" : "The plan"}
          </Button>
          {planned !== null && (
            <Button variant="contained" component={Link} to={`/class/${lesson.id}/floor`}>
              Start class
            </Button>
          )}
        </ForTeachers>
      </ScreenHead>
      <Box
        sx={{
          display: "grid",
          // Once all is planned, who is here is what one comes back for.
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: planned === null ? "400px minmax(0,1fr)" : "minmax(0,1fr) 340px",
          },
          borderTop: 1,
          borderColor: "hairline",
          flex: 1,
        }}
      >
        <Box
          component="section"
          aria-label="Who is here"
          sx={{ px: 3, py: 2, borderRight: { md: 1 }, borderColor: { md: "hairline" } }}
        >
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            Who is here
          </Typography>
          <Attendance id={lesson.id} students={students} here={here} not={not} />
          {planned === null && <GearAtHand gear={gear} />}
        </Box>
        <Box component="section" aria-label="Pairs" sx={{ px: 3, py: 2 }}>
          <ForTeachers others={<PairsToRead planned={planned} pairs={pairs} />}>
            {planned === null ? (
              <Pairing lesson={lesson} pairs={pairs} drills={drills} />
            ) : (
              <Planned rounds={planned} version={lesson.version} />
            )}
          </ForTeachers>
          {planned !== null && <GearAtHand gear={gear} />}
        </Box>
      </Box>
    </>
  );
}

const GearAtHand = ({ gear }: Pick<ClassProps, "gear">) => (
  <>
    <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
      Gear at hand
    </Typography>
    {gear.map((g) => (
      <Stack key={g.kind} direction="row" sx={{ justifyContent: "space-between" }}>
        <span>{gearLabel(g.kind)}</span>
        <span>{g.count}</span>
      </Stack>
    ))}
  </>
);

/** One round by itself: what is worked on, and who with whom. */
function Pairing({ lesson, pairs, drills }: Pick<ClassProps, "lesson" | "pairs" | "drills">) {
  const fetcher = useFetcher<typeof action>();
  const first =
    drills.find((d) => d.id === pairs[0]?.drillId && !d.parent) ??
    drills.find((d) => d.verdict === "sound") ??
    drills[0];
  const [drill, setDrill] = useState(first?.id ?? "");
  const chosen = drills.find((d) => d.id === drill);
  const pair = () =>
    void fetcher.submit({ intent: "pair", drill, version: String(lesson.version) }, { method: "post" });
  return (
    <>
      <Stack direction="row" spacing={2} sx={{ flexWrap: "wrap", alignItems: "end", mb: 1 }}>
        <TextField
          select
          label="We work on"
          value={drill}
          onChange={(e) => setDrill(e.target.value)}
          sx={{ minWidth: 280, maxWidth: 420 }}
        >
          {drills.map((d) => (
            <MenuItem key={d.id} value={d.id}>
              {d.title}
              {d.verdict === "broken" ? " (broken)" : ""}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="contained" onClick={pair} disabled={fetcher.state !== "idle" || !drill}>
          {pairs.length > 0 ? "Pair them again" : "Pair them"}
        </Button>
      </Stack>
      {chosen?.verdict === "broken" && (
        <Notice>
          This drill has errors. Mend it at the <Link to={`/drills/${chosen.id}`}>desk</Link>, or pair them on a
          variation of it.
        </Notice>
      )}
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      {pairs.length === 0 ? (
        <Box sx={{ color: "text.secondary", py: 4, maxWidth: 460 }}>
          Tick who is here, choose what you work on, and pair them. People who have not met come together first;
          heights, weights and minors are looked at.
        </Box>
      ) : (
        <Round lessonPairs={pairs} drill={drill} version={lesson.version} />
      )}
    </>
  );
}

/** What whoever helps sees of the pairs. */
function PairsToRead({ planned, pairs }: Pick<ClassProps, "planned" | "pairs">) {
  if (planned !== null)
    return (
      <Box sx={{ color: "text.secondary", py: 1, maxWidth: 520 }}>
        The evening is planned: {planned} rounds. Who with whom stands on the sheet, on the wall, and where the class is
        run.
      </Box>
    );
  if (pairs.length === 0) return <Box sx={{ color: "text.secondary", py: 1 }}>Nobody is paired yet.</Box>;
  return <PairRows pairs={pairs} onGive={null} />;
}

/** Ways of whoever helps: to run the evening, and to its papers. */
const OnTheFloor = ({ id }: { id: string }) => (
  <>
    <Button variant="outlined" component={Link} to={`/class/${id}/cards`}>
      Cards to print
    </Button>
    <Button variant="outlined" component={Link} to={`/class/${id}/sheet`}>
      Sheet to print
    </Button>
    <Button variant="outlined" component={Link} to={`/class/${id}/wall`}>
      Wall screen
    </Button>
    <Button variant="contained" component={Link} to={`/class/${id}/floor`}>
      Start class
    </Button>
  </>
);

/** The evening has a plan: its rounds are there, and one round by itself would not fit it. */
function Planned({ rounds, version }: { rounds: number; version: number }) {
  const fetcher = useFetcher<typeof action>();
  const [sure, setSure] = useState(false);
  return (
    <>
      <Typography variant="h2">The evening is planned: {rounds} rounds</Typography>
      <Box sx={{ color: "text.secondary", py: 1, maxWidth: 520 }}>
        Tick or untick somebody, and the plan follows; what was run stays as it was. To pair a single round instead,
        delete the plan first.
      </Box>
      {sure ? (
        <Button
          variant="contained"
          color="error"
          disabled={fetcher.state !== "idle"}
          onClick={() => void fetcher.submit({ intent: "drop", version: String(version) }, { method: "post" })}
        >
          Really delete the plan
        </Button>
      ) : (
        <Button variant="outlined" onClick={() => setSure(true)}>
          Delete the plan…
        </Button>
      )}
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
    </>
  );
}

/** The pairs of the round; each may be given another version of the drill. */
function Round({ lessonPairs, drill, version }: { lessonPairs: readonly PairView[]; drill: string; version: number }) {
  const fetcher = useFetcher<typeof action>();
  const give = (pairId: string, revisionId: string) => {
    const round = {
      version,
      drillId: drill || lessonPairs[0]!.drillId,
      pairs: lessonPairs.map((p) => ({
        a: p.names[0]!.id,
        b: p.names[1]!.id,
        c: p.names[2]?.id ?? null,
        revisionId: p.id === pairId ? revisionId : p.revisionId,
        why: p.why,
      })),
    };
    void fetcher.submit({ intent: "swap", round: JSON.stringify(round) }, { method: "post" });
  };
  const trouble = fetcher.data && "message" in fetcher.data ? fetcher.data.message : null;
  return (
    <>
      {trouble && <Notice tone="trouble">{trouble}</Notice>}
      <PairRows pairs={lessonPairs} onGive={give} />
    </>
  );
}

interface RowsProps {
  readonly pairs: readonly PairView[];
  /** Gives a pair another version of the drill; null where nothing is changed. */
  readonly onGive: ((pairId: string, revisionId: string) => void) | null;
}

function PairRows({ pairs, onGive }: RowsProps) {
  const versions = new Map(pairs.map((p) => [p.revisionId, p.title]));
  return (
    <Rows ordered aria-label="Pairs of this round">
      {pairs.map((p) => (
        <Row
          key={p.id}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,5fr) minmax(0,6fr)" },
            gap: 1.5,
            py: 1.5,
          }}
        >
          <Box>
            {p.names.map((n) => (
              <Stack key={n.id} direction="row" spacing={1} sx={{ alignItems: "center", fontSize: "1.08rem" }}>
                <PartnerMark actor={n.actor} size={22} />
                <Box>
                  {n.name}
                  {n.limits.length > 0 && (
                    <Box sx={{ color: "verdict.risky", fontSize: "0.92rem", lineHeight: 1.2 }}>
                      {n.limits.join(", ")}
                    </Box>
                  )}
                </Box>
              </Stack>
            ))}
            <Box sx={{ color: "text.secondary", fontSize: "0.92rem", mt: 0.25 }}>{p.why}</Box>
          </Box>
          <Box>
            <Stack direction="row" spacing={1} sx={{ alignItems: "center", flexWrap: "wrap" }}>
              <VerdictRing verdict={p.verdict} />
              {onGive && versions.size > 1 ? (
                <TextField
                  select
                  variant="standard"
                  label="Version"
                  value={p.revisionId}
                  onChange={(e) => onGive(p.id, e.target.value)}
                  sx={{ minWidth: 220 }}
                >
                  {[...versions].map(([id, title]) => (
                    <MenuItem key={id} value={id}>
                      {title}
                    </MenuItem>
                  ))}
                </TextField>
              ) : (
                <Link to={`/drills/${p.drillId}`} style={{ color: "inherit" }}>
                  {p.title}
                </Link>
              )}
              <Box component="span" sx={{ color: "text.secondary" }}>
                {p.distance.toFixed(2)} m apart
              </Box>
            </Stack>
            {p.notes.map((note) => (
              <Box key={note} sx={{ fontSize: "0.93rem", mt: 0.5 }}>
                {note}
              </Box>
            ))}
          </Box>
        </Row>
      ))}
    </Rows>
  );
}
