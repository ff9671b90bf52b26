/** Notes as they were pasted beside the rows that they mean. Nothing is saved before somebody takes the rows. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useEffect, useState } from "react";
import { drillOfNotes, isRow } from "#core/plain/drill-of-notes.ts";
import type { PlainLine } from "#core/plain/read-plain.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { WordChoice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { ask } from "../workers/client.ts";

type Choices = ReadonlyMap<number, 0 | 1>;

interface NotesProps {
  readonly onClose: () => void;
  /** With the text of the drill. */
  readonly onTake: (text: string) => void;
}

export function NotesDialog({ onClose, onTake }: NotesProps) {
  const narrow = useMediaQuery("(max-width: 700px)");
  const [page, setPage] = useState("");
  const [title, setTitle] = useState("");
  const [chosen, setChosen] = useState<Choices>(new Map());
  const lines = useNotes(page);
  const rows = lines.filter(isRow).length;
  return (
    <Dialog open onClose={onClose} fullScreen={narrow} fullWidth maxWidth="lg" aria-labelledby="notes-title">
      <DialogTitle id="notes-title">Paste notes</DialogTitle>
      <DialogContent>
        <Box
          sx={{
            display: "grid",
            gap: 3,
            gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
          }}
        >
          <Stack spacing={1.5}>
            <TextField label="Name of the drill" value={title} onChange={(event) => setTitle(event.target.value)} />
            <TextField
              multiline
              minRows={8}
              autoFocus
              label="Your notes, one row to a line"
              placeholder={"Right cross, B slips outside and crosses back\njab, catch, jab x10"}
              value={page}
              onChange={(event) => setPage(event.target.value)}
            />
          </Stack>
          <Box aria-live="polite">
            <Typography variant="h3">What was understood</Typography>
            {lines.length === 0 && (
              <Typography sx={{ mt: 1, color: "text.secondary" }}>
                Type or paste: each line becomes a row. Nothing is saved yet.
              </Typography>
            )}
            <Rows ordered aria-label="Rows that were understood" sx={{ mt: 1 }}>
              {lines.map((line) => (
                <ReadLine
                  key={line.line}
                  line={line}
                  way={chosen.get(line.line) ?? 0}
                  onChoose={(way) => setChosen(new Map(chosen).set(line.line, way))}
                />
              ))}
            </Rows>
          </Box>
        </Box>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button
          variant="contained"
          disabled={rows === 0}
          onClick={() => onTake(drillOfNotes(title.trim() || nameOf(lines), lines, chosen))}
        >
          {rows === 1 ? "Take this row" : `Take these ${rows} rows`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Without a name the drill is called by the heading of the page, or by what is fed first. */
function nameOf(lines: readonly PlainLine[]): string {
  const [first] = lines;
  const heading = first && first.proposals.length === 0 ? first.source.trim() : null;
  const feed = lines.find(isRow)?.proposals[0]?.text.split(" -> ")[0];
  return (heading ?? feed ?? "Notes").replace(/^(?:#+|[ABC]) /, "").slice(0, 60);
}

/** Quiet after the last letter before the page is read again, ms. */
const PAUSE = 200;

/** The lines of a page as they are read, a moment after it was changed. */
function useNotes(page: string): readonly PlainLine[] {
  const [lines, setLines] = useState<readonly PlainLine[]>([]);
  useEffect(() => {
    const timer = setTimeout(() => {
      void ask("readNotes", { page }, { replaces: "notes" }).then(setLines, () => undefined);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [page]);
  return page.trim() === "" ? [] : lines;
}

interface LineProps {
  readonly line: PlainLine;
  readonly way: 0 | 1;
  readonly onChoose: (way: 0 | 1) => void;
}

/** One line: its row with the verdict, the question where there is one, and the words that stay beside it. */
function ReadLine({ line, way, onChoose }: LineProps) {
  const { proposals, question, kept } = line;
  const row = proposals[way] ?? proposals[0];
  return (
    <Row sx={{ py: 0.75 }}>
      {row && isRow(line) ? (
        <Stack direction="row" spacing={1} sx={{ alignItems: "baseline" }}>
          <VerdictRing verdict={row.verdict} size={16} />
          <span>{row.text}</span>
        </Stack>
      ) : (
        <Box sx={{ color: "text.secondary" }}>
          {row ? row.text : `Not understood, kept as a comment: ${line.source.trim()}`}
        </Box>
      )}
      {question && (
        <Box sx={{ pl: 3 }}>
          {question.text}
          <WordChoice
            label={question.text}
            options={question.choices.map((text, i) => ({ value: String(i), label: text }))}
            value={String(way)}
            onChange={(value) => onChoose(value === "1" ? 1 : 0)}
          />
        </Box>
      )}
      {row && kept.length > 0 && (
        <Box sx={{ pl: 3, color: "text.secondary", fontSize: "0.92rem" }}>Kept beside it: {kept.join("; ")}</Box>
      )}
    </Row>
  );
}
