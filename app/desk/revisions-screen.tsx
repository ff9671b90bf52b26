import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMemo, useState } from "react";
import { Form, Link, useActionData } from "react-router";
import { VerdictRing, type VerdictName } from "../ui/marks.tsx";
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
  const pick = (label: string, value: number, set: (n: number) => void) => (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={(event) => set(Number(event.target.value))}
      sx={{ minWidth: 150 }}
    >
      {revisions.map((r) => (
        <MenuItem key={r.number} value={r.number}>
          Revision {r.number}
        </MenuItem>
      ))}
    </TextField>
  );
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
            <Row key={r.number} sx={{ py: 1.25 }}>
              <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
                <VerdictRing verdict={r.verdict} />
                <Box component="h2" sx={{ typography: "h3", m: 0 }}>
                  Revision {r.number}
                </Box>
                <Box sx={{ color: "text.secondary", flex: 1, minWidth: 140 }}>
                  {r.author}, {when(r)}
                  {r.auto && ", saved by itself"}
                </Box>
              </Box>
              <Box sx={{ display: "flex", gap: 1, mt: 0.75 }}>
                {i + 1 < revisions.length && (
                  <Button
                    variant="outlined"
                    size="small"
                    aria-pressed={newer === r.number && older === revisions[i + 1]!.number}
                    onClick={() => {
                      setNewer(r.number);
                      setOlder(revisions[i + 1]!.number);
                    }}
                  >
                    What changed
                  </Button>
                )}
                {i > 0 && teaches && (
                  <Form method="post">
                    <input type="hidden" name="number" value={r.number} />
                    <input type="hidden" name="version" value={version} />
                    <Button type="submit" variant="outlined" size="small">
                      Go back to this
                    </Button>
                  </Form>
                )}
              </Box>
            </Row>
          ))}
        </Rows>
        <Box
          component="section"
          aria-label="What changed"
          sx={{ position: { md: "sticky" }, top: 16, alignSelf: "start" }}
        >
          <Box sx={{ display: "flex", gap: 1.5, alignItems: "end", flexWrap: "wrap", mb: 2 }}>
            {pick("From", older, setOlder)} {pick("to", newer, setNewer)}
          </Box>
          {one &&
            two &&
            (one === two ? (
              <Box sx={{ color: "text.secondary" }}>
                {revisions.length === 1
                  ? "There is one revision only. The next one is made when the drill changes."
                  : "The same revision twice: nothing differs."}
              </Box>
            ) : (
              <>
                <VerdictChanges before={one.text} after={two.text} />
                <TextDiff
                  before={one.text}
                  after={two.text}
                  beforeName={`revision ${one.number}`}
                  afterName={`revision ${two.number}`}
                />
              </>
            ))}
        </Box>
      </Box>
    </>
  );
}

/** Which exchanges come out differently, judged by today's settings for both texts. */
function VerdictChanges({ before, after }: { before: string; after: string }) {
  const question = useMemo(() => ({ before, after }), [before, after]);
  const { answer: found } = useAnswer("compareTexts", question);
  if (!found) return <LinearProgress aria-label="Comparing the verdicts" sx={{ mb: 2 }} />;
  return (
    <Box role="status" sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
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
      </Box>
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
