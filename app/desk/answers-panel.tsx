/** Other answers to the feed at the cursor, and the search for a line that lands. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { styled } from "@mui/material/styles";
import { useEffect, useState } from "react";
import type { ExchangeView } from "#core/formats/desk-view.ts";
import type { Refutation } from "#core/vary/refute.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { ask } from "../workers/client.ts";
import type { AnswerView } from "../workers/protocol.ts";

type Edits = readonly { from: number; to: number; insert: string }[];
interface PanelProps {
  readonly text: string;
  readonly onRepair: (edits: Edits) => void;
}

const AnswerButton = styled("button")(({ theme }) => ({
  font: "inherit",
  width: "100%",
  display: "grid",
  gridTemplateColumns: "24px 1fr auto",
  gap: 8,
  alignItems: "center",
  textAlign: "left",
  background: "none",
  border: 0,
  borderTop: `1px solid ${theme.vars?.palette.hairline}`,
  padding: "7px 0",
  cursor: "pointer",
  color: theme.vars?.palette.text.primary,
  "&:hover": { background: theme.vars?.palette.background.paper },
}));

/** How many answers are shown at first. */
const FEW = 6;

/** The valid answers of the vocabulary, best first; one press puts one in. */
export function Answers({ exchange, text, onRepair }: PanelProps & { exchange: ExchangeView }) {
  const [open, setOpen] = useState(false);
  const [all, setAll] = useState(false);
  const [answers, setAnswers] = useState<readonly AnswerView[] | null>(null);
  const feed = `${exchange.feeder} ${exchange.feed}`;
  useEffect(() => {
    if (!open) return;
    let alive = true;
    ask("answers", { text, feed }).then(
      (found) => alive && setAnswers(found),
      () => alive && setAnswers([]),
    );
    return () => {
      alive = false;
    };
    // The text matters for its header only, which does not change while one answer is chosen.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [open, feed]);
  const put = (answer: string) => {
    const span = exchange.answerSpan;
    if (span) onRepair([{ from: span.from, to: span.to, insert: answer }]);
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Hide answers" : "Other answers"}
      </Button>
      {open && !answers && <LinearProgress aria-label="Looking for answers" sx={{ mt: 1.5 }} />}
      {open && answers && (
        <Box component="ol" aria-label="Answers that work" sx={{ listStyle: "none", p: 0, m: 0, mt: 1 }}>
          {(all ? answers : answers.slice(0, FEW)).map((a) => (
            <li key={a.text}>
              <AnswerButton type="button" onClick={() => put(a.text)} title={`Put in ${a.text}`}>
                <VerdictRing verdict={a.verdict} size={18} />
                <span>
                  {a.text}
                  <Box
                    component="span"
                    sx={{ display: "block", color: "text.secondary", fontSize: "0.9rem", lineHeight: 1.25 }}
                  >
                    {a.open.length === 0 ? "leaves nothing open" : `leaves ${a.open.slice(0, 2).join(", ")}`}
                  </Box>
                </span>
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {a.marginCm} cm
                </Box>
              </AnswerButton>
            </li>
          ))}
          {answers.length === 0 && <li>Nothing in the school&apos;s words answers this from here.</li>}
        </Box>
      )}
      {open && answers && answers.length > FEW && (
        <Button size="small" variant="text" color="inherit" onClick={() => setAll(!all)}>
          {all ? "Only the best" : `All ${answers.length}`}
        </Button>
      )}
    </Box>
  );
}

/** Plays the feeder who wants to break the drill; what he finds is the counter to train. */
export function Refute({ text, onRepair }: PanelProps) {
  const [result, setResult] = useState<{ of: string; found: Refutation } | null>(null);
  const [busy, setBusy] = useState(false);
  const search = () => {
    setBusy(true);
    ask("refute", { text })
      .then(
        (found) => setResult({ of: text, found }),
        () => setResult(null),
      )
      .finally(() => setBusy(false));
  };
  const found = result?.of === text ? result.found : null;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" variant="outlined" onClick={search} disabled={busy}>
        Try to break it
      </Button>
      {busy && <LinearProgress aria-label="Trying to break the drill" sx={{ mt: 1.5 }} />}
      {found && (
        <Box role="status" sx={{ mt: 1 }}>
          {words(found)}
        </Box>
      )}
      {found?.kind === "refuted" && (
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 1 }}
          onClick={() =>
            onRepair([
              { from: text.length, to: text.length, insert: `${text.endsWith("\n") ? "" : "\n"}${found.line}\n` },
            ])
          }
        >
          Train this: add the line
        </Button>
      )}
    </Box>
  );
}

function words(found: Refutation): string {
  switch (found.kind) {
    case "holds":
      return `It holds: nothing the feeder does ${found.plies} actions deep lands.`;
    case "refuted":
      return `From row ${found.row}: ${found.line}. The ${found.lands} lands: ${found.reason}.${found.repair ? ` Mend it with ${found.repair} as the first answer.` : ""}`;
    case "stopped":
      return `It holds ${found.plies} actions deep, as far as was looked.`;
    case "nothing":
      return found.reason;
  }
}
