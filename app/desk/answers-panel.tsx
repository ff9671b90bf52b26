/** What can be done about the drill: other answers, the line that lands, a cycle that does not close. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Stack from "@mui/material/Stack";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import type { Closing } from "#core/answers/close-cycle.ts";
import { refutationWords } from "#core/search/refutation-words.ts";
import type { Refutation } from "#core/search/refute.ts";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { ask } from "../workers/client.ts";
import type { AnswerView, CombinedView } from "../workers/questions/answers.ts";
import { AnswerList } from "./answer-list.tsx";
import { Rows } from "../ui/rows.tsx";

type Edits = readonly { from: number; to: number; insert: string }[];
interface PanelProps {
  readonly text: string;
  readonly onRepair: (edits: Edits) => void;
}

/** The valid answers of the vocabulary, best first; one press puts one in. */
export function Answers({ exchange, text, onRepair }: PanelProps & { exchange: ExchangeView }) {
  const feed = `${exchange.feeder} ${exchange.feed}`;
  // The text matters for its header only, which does not change while one answer is chosen.
  const load = useCallback(() => ask("answers", { text, feed }), [feed]); // eslint-disable-line react-hooks/exhaustive-deps
  const put = (answer: string) => {
    const span = exchange.answerSpan;
    onRepair(
      span
        ? [{ from: span.from, to: span.to, insert: answer }]
        : [{ from: exchange.to, to: exchange.to, insert: ` -> ${exchange.responder} ${answer}` }],
    );
  };
  return (
    <Offered
      offer={exchange.answer === "" ? "Answers to this" : "Other answers"}
      hide="Hide answers"
      load={load}
      listOf={(answers: readonly AnswerView[]) => answers}
      onPut={put}
    />
  );
}

/** What answers all that is thrown in the row, one answer behind the other. */
export function WholeRow({ exchange, text, onRepair }: PanelProps & { exchange: ExchangeView }) {
  const { row } = exchange;
  const load = useCallback(() => ask("combined", { text, row }), [text, row]);
  return (
    <Offered
      offer="Answers to the whole row"
      hide="Hide answers to the row"
      load={load}
      listOf={(found: CombinedView | null) => found?.answers ?? []}
      onPut={(answers, found) =>
        found && onRepair([{ from: found.from, to: found.to, insert: `${found.before}${answers}` }])
      }
    />
  );
}

interface OfferedProps<T> {
  readonly offer: string;
  readonly hide: string;
  readonly load: () => Promise<T>;
  readonly listOf: (found: T) => readonly AnswerView[];
  readonly onPut: (answer: string, found: T) => void;
}

/** A list that is looked for when it is asked for. */
function Offered<T>({ offer, hide, load, listOf, onPut }: OfferedProps<T>) {
  const [open, setOpen] = useState(false);
  const [last, setLast] = useState<{
    readonly asked: () => Promise<T>;
    readonly list: readonly AnswerView[];
    readonly of: T | null;
  } | null>(null);
  // What was found for another text has other places in it.
  const found = last?.asked === load ? last : null;
  // Another `listOf` is the same question.
  const shown = useRef(listOf);
  useEffect(() => {
    if (!open) return;
    let alive = true;
    load().then(
      (answer) => alive && setLast({ asked: load, list: shown.current(answer), of: answer }),
      () => alive && setLast({ asked: load, list: [], of: null }),
    );
    return () => {
      alive = false;
    };
  }, [open, load]);
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? hide : offer}
      </Button>
      {open && (
        <AnswerList
          answers={found?.list ?? null}
          onPut={(answer) => found && found.of !== null && onPut(answer, found.of)}
        />
      )}
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
        What gets through?
      </Button>
      {busy && <LinearProgress aria-label="Trying to get through" sx={{ mt: 1.5 }} />}
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
            <Stack component="li" key={way.text} direction="row" spacing={1} sx={{ alignItems: "center", py: 0.5 }}>
              <VerdictRing verdict={way.verdict} size={18} />
              <Button
                size="small"
                variant="outlined"
                onClick={() => onRepair([{ from: 0, to: text.length, insert: way.text }])}
              >
                Add {way.rows.join(", then ")}
              </Button>
            </Stack>
          ))}
        </Rows>
      )}
    </Box>
  );
}
