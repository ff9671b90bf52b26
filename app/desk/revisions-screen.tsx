import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Form, Link, useActionData } from "react-router";
import type { VerdictName } from "#core/base/verdict-words.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { useTeaches } from "../ui/role.tsx";
import { useAnswer } from "../workers/use-answer.ts";
import { TextDiff } from "./conflict.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface RevisionRow {
  readonly number: number;
  readonly text: string;
  readonly verdict: "sound" | "risky" | "broken";
  readonly author: string;
  readonly at: string;
  /** Saved by itself while somebody typed. */
  readonly auto: boolean;
}
interface RevisionsProps {
  readonly id: string;
  readonly title: string;
  /** Of the drill, as this page was read. */
  readonly version: number;
  /** Newest first. */
  readonly revisions: readonly RevisionRow[];
}

const when = (r: RevisionRow): string => r.at.slice(0, 16).replace("T", " ");

/** All revisions of a drill: any two side by side, what changed in the verdicts, and a way back to any. */
export function RevisionsScreen({ id, title, version, revisions }: RevisionsProps) {
  const [newer, setNewer] = useState(revisions[0]?.number ?? 1);
  const [older, setOlder] = useState(revisions[1]?.number ?? revisions[0]?.number ?? 1);
  const one = revisions.find((r) => r.number === older);
  const two = revisions.find((r) => r.number === newer);
  const teaches = useTeaches();
  const answer = useActionData<{ readonly message?: string } | undefined>();
  return (
    <>
      <ScreenHead
        title={`Revisions of ${title}`}
        lead="Nothing is ever overwritten: going back to an old text makes it the newest revision."
      >
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
      </ScreenHead>
      {answer?.message && <Notice tone="trouble">{answer.message}</Notice>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(300px,2fr) minmax(0,3fr)" },
          gap: 4,
          px: { xs: 2, sm: 3 },
          pb: 4,
        }}
      >
        <Rows ordered aria-label="Revisions, newest first">
          {revisions.map((r, i) => (
            <RevisionLine
              key={r.number}
              revision={r}
              before={revisions[i + 1]?.number ?? null}
              looked={newer === r.number && older === revisions[i + 1]?.number}
              onLook={(before) => {
                setNewer(r.number);
                setOlder(before);
              }}
              backTo={i > 0 && teaches ? version : null}
            />
          ))}
        </Rows>
        <Box
          component="section"
          aria-label="What changed"
          sx={{ position: { md: "sticky" }, top: 16, alignSelf: "start" }}
        >
          <Stack direction="row" spacing={1.5} sx={{ alignItems: "end", flexWrap: "wrap", mb: 2 }}>
            <Pick label="From" value={older} onChange={setOlder} revisions={revisions} />{" "}
            <Pick label="to" value={newer} onChange={setNewer} revisions={revisions} />
          </Stack>
          {one && two && one !== two && <Changes one={one} two={two} />}
          {one && one === two && (
            <Box sx={{ color: "text.secondary" }}>
              {revisions.length === 1
                ? "There is one revision only. The next one is made when the drill changes."
                : "The same revision twice: nothing differs."}
            </Box>
          )}
        </Box>
      </Box>
    </>
  );
}

interface PickProps {
  readonly label: string;
  readonly value: number;
  readonly onChange: (number: number) => void;
  readonly revisions: readonly RevisionRow[];
}

const Pick = ({ label, value, onChange, revisions }: PickProps) => (
  <TextField
    select
    label={label}
    value={value}
    onChange={(event) => onChange(Number(event.target.value))}
    sx={{ minWidth: 150 }}
  >
    {revisions.map((r) => (
      <MenuItem key={r.number} value={r.number}>
        Revision {r.number}
      </MenuItem>
    ))}
  </TextField>
);

interface RevisionLineProps {
  readonly revision: RevisionRow;
  /** The number of the revision before it; null for the first. */
  readonly before: number | null;
  /** It is compared with the one before it. */
  readonly looked: boolean;
  readonly onLook: (before: number) => void;
  /** The version of the drill that going back to it is made from; null where nobody may, or it is the newest. */
  readonly backTo: number | null;
}

/** One revision: its verdict, who saved it and when, what it changed, and the way back to it. */
const RevisionLine = ({ revision: r, before, looked, onLook, backTo }: RevisionLineProps) => (
  <Row sx={{ py: 1.25 }}>
    <Stack direction="row" spacing={1.5} sx={{ alignItems: "center", flexWrap: "wrap" }}>
      <VerdictRing verdict={r.verdict} />
      <Typography variant="h3" component="h2">
        Revision {r.number}
      </Typography>
      <Box sx={{ color: "text.secondary", flex: 1, minWidth: 140 }}>
        {r.author}, {when(r)}
        {r.auto && ", saved by itself"}
      </Box>
    </Stack>
    <Stack direction="row" spacing={1} sx={{ mt: 0.75 }}>
      {before !== null && (
        <Button variant="outlined" size="small" aria-pressed={looked} onClick={() => onLook(before)}>
          What changed
        </Button>
      )}
      {backTo !== null && (
        <Form method="post">
          <input type="hidden" name="number" value={r.number} />
          <input type="hidden" name="version" value={backTo} />
          <Button type="submit" variant="outlined" size="small">
            Go back to this
          </Button>
        </Form>
      )}
    </Stack>
  </Row>
);

/** Two revisions side by side, with what changed in their verdicts. */
const Changes = ({ one, two }: { readonly one: RevisionRow; readonly two: RevisionRow }) => (
  <>
    <VerdictChanges before={one.text} after={two.text} />
    <TextDiff
      before={one.text}
      after={two.text}
      beforeName={`revision ${one.number}`}
      afterName={`revision ${two.number}`}
    />
  </>
);

/** Which exchanges come out differently, judged by today's settings for both texts. */
function VerdictChanges({ before, after }: { before: string; after: string }) {
  const question = useMemo(() => ({ before, after }), [before, after]);
  const { answer: found } = useAnswer("compareTexts", question);
  if (!found) return <LinearProgress aria-label="Comparing the verdicts" sx={{ mb: 2 }} />;
  return (
    <Box role="status" sx={{ mb: 2 }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: "center", flexWrap: "wrap" }}>
        {found.before === found.after ? (
          <>
            The drill stays <VerdictRing verdict={found.after} word />
          </>
        ) : (
          <>
            The drill goes from <VerdictRing verdict={found.before} word /> to{" "}
            <VerdictRing verdict={found.after} word />
          </>
        )}
      </Stack>
      {found.exchanges.length === 0 && <Box sx={{ color: "text.secondary" }}>No exchange comes out differently.</Box>}
      <Rows sx={{ mt: 1 }}>
        {found.exchanges.map((e) => (
          <Row key={e.words} sx={{ py: 0.5 }}>
            {e.words}:{" "}
            {e.before === null ? (
              <>
                new, <Verdict of={e.after} />
              </>
            ) : e.after === null ? (
              <>
                taken out, was <Verdict of={e.before} />
              </>
            ) : (
              <>
                <Verdict of={e.before} /> → <Verdict of={e.after} />
              </>
            )}
          </Row>
        ))}
      </Rows>
    </Box>
  );
}

const Verdict = ({ of }: { of: string | null }) =>
  of === null ? null : <VerdictRing verdict={of as VerdictName} size={16} word />;
