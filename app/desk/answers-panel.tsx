/** What can be done about the drill: other answers, the line that lands, a cycle that does not close. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useEffect, useState } from "react";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import type { Closing } from "#core/search/close-cycle.ts";
import { refutationWords } from "#core/search/refutation-words.ts";
import type { Refutation } from "#core/search/refute.ts";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { ask } from "../workers/client.ts";
import type { AnswerView } from "../workers/questions/answers.ts";
import { AnswerList } from "./answer-list.tsx";
import { Rows } from "../ui/rows.tsx";

type Edits = readonly { from: number; to: number; insert: string }[];
interface PanelProps {
  readonly text: string;
  readonly onRepair: (edits: Edits) => void;
}

/** The valid answers of the vocabulary, best first; one press puts one in. */
export function Answers({ exchange, text, onRepair }: PanelProps & { exchange: ExchangeView }) {
  const [open, setOpen] = useState(false);
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
    onRepair(
      span
        ? [{ from: span.from, to: span.to, insert: answer }]
        : [{ from: exchange.to, to: exchange.to, insert: ` -> ${exchange.responder} ${answer}` }],
    );
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Hide answers" : exchange.answer === "" ? "Answers to this" : "Other answers"}
      </Button>
      {open && <AnswerList answers={answers} onPut={put} />}
    </Box>
  );
}

/** Plays the feeder who wants to break the drill; what they find is the counter to train. */
export function Refute({ text, onRepair }: PanelProps) {
  const [result, setResult] = useState<{ of: string; found: Refutation; drawn: ScoreView | null } | null>(null);
  const [busy, setBusy] = useState(false);
  const search = () => {
    setBusy(true);
    ask("refute", { text })
      .then(
        (answer) => setResult({ of: text, ...answer }),
        () => setResult(null),
      )
      .finally(() => setBusy(false));
  };
  const now = result?.of === text ? result : null;
  const found = now?.found;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" variant="outlined" onClick={search} disabled={busy}>
        Try to break it
      </Button>
      {busy && <LinearProgress aria-label="Trying to break the drill" sx={{ mt: 1.5 }} />}
      {found && (
        <Box role="status" sx={{ mt: 1 }}>
          {refutationWords(found)}
        </Box>
      )}
      {found?.kind === "refuted" && (
        <>
          {now?.drawn && (
            <Box sx={{ mt: 1, borderLeft: 3, borderColor: "verdict.invalid", pl: 1 }}>
              <ScoreDrawing view={now.drawn} cursor={null} zoom={0.8} />
            </Box>
          )}
          <Button
            size="small"
            variant="outlined"
            sx={{ mt: 1 }}
            onClick={() => onRepair([lineAtEnd(text, found.line)])}
          >
            Train this: add the line
          </Button>
        </>
      )}
    </Box>
  );
}

const lineAtEnd = (text: string, line: string) => ({
  from: text.length,
  to: text.length,
  insert: `${text.endsWith("\n") ? "" : "\n"}${line}\n`,
});

/** Ways to bring a cycle back to its start, each one press. */
export function CloseCycle({ text, onRepair, differences }: PanelProps & { differences: readonly string[] }) {
  const [result, setResult] = useState<{ of: string; ways: readonly Closing[] } | null>(null);
  const [busy, setBusy] = useState(false);
  const ways = result?.of === text ? result.ways : null;
  const search = () => {
    setBusy(true);
    ask("close", { text })
      .then(
        (found) => setResult({ of: text, ways: found }),
        () => setResult({ of: text, ways: [] }),
      )
      .finally(() => setBusy(false));
  };
  return (
    <Box component="section" aria-label="The cycle does not close" sx={{ mt: 2 }}>
      <Box>The cycle does not come back to its start: {differences.join("; ")}.</Box>
      <Button size="small" variant="outlined" onClick={search} disabled={busy} sx={{ mt: 1 }}>
        Close the cycle
      </Button>
      {busy && <LinearProgress aria-label="Looking for a way back" sx={{ mt: 1.5 }} />}
      {ways?.length === 0 && (
        <Box role="status" sx={{ mt: 1 }}>
          Two rows more are not enough to bring it back. Look at what differs, and change a row.
        </Box>
      )}
      {ways && ways.length > 0 && (
        <Rows aria-label="Ways to close the cycle" sx={{ mt: 1 }}>
          {ways.map((way) => (
            <Box component="li" key={way.text} sx={{ display: "flex", gap: 1, alignItems: "center", py: 0.5 }}>
              <VerdictRing verdict={way.verdict} size={18} />
              <Button
                size="small"
                variant="outlined"
                onClick={() => onRepair([{ from: 0, to: text.length, insert: way.text }])}
              >
                Add {way.rows.join(", then ")}
              </Button>
            </Box>
          ))}
        </Rows>
      )}
    </Box>
  );
}
