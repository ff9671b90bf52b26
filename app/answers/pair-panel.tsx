/** One pair of the answer book: why it comes out as it does, when it was trained, the school's ruling on it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import type { BookReason } from "#core/answers/answer-book.ts";
import { BOOK_SIDES, type Book, type Trained } from "#core/answers/book.ts";
import type { Ruling } from "#core/policy/settings.ts";
import { VERDICT_WORDS } from "#core/base/verdict-words.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { shortDate } from "../ui/dates.ts";
import { ask } from "../workers/client.ts";
import { sidesOf, trainedOn, type ShownSide } from "./book-view.ts";
import { SIDE_WORDS } from "./holes.tsx";
import { useNewDrill } from "./use-new-drill.ts";
import { ForTeachers } from "../ui/role.tsx";

interface PanelProps {
  readonly book: Book;
  readonly trained: Trained;
  readonly feed: number;
  readonly answer: number;
  readonly side: ShownSide;
  readonly version: number;
  readonly rulings: readonly Ruling[];
  readonly onRule: (rulings: readonly Ruling[]) => void;
  /** Lets go of the pair that a click held. */
  readonly onClose: (() => void) | null;
}

export function PairPanel({ book, trained, feed, answer, side, version, rulings, onRule, onClose }: PanelProps) {
  const feedText = book.feeds[feed]!.text;
  const answerText = book.answers[answer]!.text;
  const reasons = useReasons(feedText, answerText, side, version);
  const newDrill = useNewDrill();
  const own = rulings.find((r) => r.feed === feedText && r.answer === answerText);
  const others = rulings.filter((r) => r !== own);
  return (
    <Box component="section" aria-label="The pair" aria-live="polite">
      <Typography variant="h2" sx={{ display: "flex", gap: 1 }}>
        <Box sx={{ flex: 1 }}>
          {feedText} met with {answerText}
        </Box>
        {onClose && (
          <Button size="small" color="inherit" variant="text" onClick={onClose} sx={{ flex: "none", minHeight: 28 }}>
            Close
          </Button>
        )}
      </Typography>
      {sidesOf(side).map((s, i) => {
        const reason = reasons?.[i];
        const last = trainedOn(book, trained, feed, answer, s);
        return (
          <Box key={s} sx={{ mt: 1 }}>
            {side === "both" && <Box sx={{ color: "text.secondary" }}>{SIDE_WORDS[s]}</Box>}
            {reason === undefined ? (
              <Box sx={{ color: "text.secondary" }}>…</Box>
            ) : reason === null ? (
              <Box>It cannot be done with what the two hold.</Box>
            ) : (
              <>
                <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
                  <VerdictRing verdict={reason.verdict} word />
                  {reason.marginCm !== null && (
                    <span>
                      {reason.marginCm >= 0 ? `by ${reason.marginCm} cm` : `misses by ${-reason.marginCm} cm`}
                    </span>
                  )}
                  {reason.ruled && <Box sx={{ fontWeight: 700 }}>school ruling</Box>}
                </Stack>
                {reason.words && <Box sx={{ mt: 0.5 }}>{reason.words}</Box>}
                {reason.verdict !== "invalid" && (
                  <Box sx={{ mt: 0.5, color: "text.secondary" }}>
                    {reason.open.length === 0
                      ? "Leaves nothing open."
                      : `Still open to: ${reason.open.slice(0, 4).join(", ")}.`}
                  </Box>
                )}
              </>
            )}
            <Box sx={{ mt: 0.5, color: "text.secondary" }}>
              {last ? `Last trained ${shortDate(last)}.` : "Never trained."}
            </Box>
          </Box>
        );
      })}
      <ForTeachers>
        <Button
          size="small"
          variant="contained"
          sx={{ mt: 1.5, mr: 1 }}
          onClick={() => newDrill(feedText, answerText, BOOK_SIDES[sidesOf(side)[0]!])}
        >
          Make a drill of it
        </Button>
        <RulingForm
          key={`${feedText}>${answerText}`}
          own={own}
          onRule={(ruling) => onRule([...others, { feed: feedText, answer: answerText, ...ruling }])}
          onTakeBack={() => onRule(others)}
        />
      </ForTeachers>
    </Box>
  );
}

/** Why the pair comes out so on each side that is shown; undefined while it is looked at. */
function useReasons(feed: string, answer: string, side: ShownSide, version: number) {
  const [found, setFound] = useState<{ of: string; reasons: readonly (BookReason | null)[] } | null>(null);
  const of = `${feed}>${answer}>${side}>${version}`;
  useEffect(() => {
    let alive = true;
    // A mouse on its way over the map asks for nothing.
    const timer = setTimeout(() => {
      const asks = sidesOf(side).map((s) => ask("bookReason", { feed, answer, side: BOOK_SIDES[s] }));
      void Promise.all(asks).then(
        (reasons) => alive && setFound({ of, reasons }),
        () => undefined,
      );
    }, 60);
    return () => {
      alive = false;
      clearTimeout(timer);
    };
  }, [feed, answer, side, of]);
  return found?.of === of ? found.reasons : null;
}

interface RulingProps {
  readonly own: Ruling | undefined;
  readonly onRule: (ruling: Pick<Ruling, "verdict" | "reason">) => void;
  readonly onTakeBack: () => void;
}

/** A school may judge a pair by itself; it has to say why, and it is shown as its ruling everywhere. */
function RulingForm({ own, onRule, onTakeBack }: RulingProps) {
  const [open, setOpen] = useState(false);
  const [verdict, setVerdict] = useState<Ruling["verdict"]>(own?.verdict ?? "valid");
  const [reason, setReason] = useState(own?.reason ?? "");
  if (own)
    return (
      <Box sx={{ mt: 1.5, pl: 1.5, borderLeft: 3, borderColor: "primary.main" }}>
        The school rules this {VERDICT_WORDS[own.verdict]}: {own.reason}
        <Box>
          <Button size="small" variant="outlined" onClick={onTakeBack} sx={{ mt: 0.5 }}>
            Remove our ruling
          </Button>
        </Box>
      </Box>
    );
  if (!open)
    return (
      <Button size="small" variant="outlined" onClick={() => setOpen(true)} sx={{ mt: 1.5 }}>
        Judge it differently
      </Button>
    );
  return (
    <Box
      component="form"
      aria-label="School ruling"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() === "") return;
        onRule({ verdict, reason: reason.trim() });
        setOpen(false);
      }}
      sx={{ mt: 1.5, display: "grid", gap: 1.5 }}
    >
      <TextField
        select
        label="The school rules this"
        value={verdict}
        onChange={(event) => setVerdict(event.target.value as Ruling["verdict"])}
      >
        <MenuItem value="valid">{VERDICT_WORDS.valid}</MenuItem>
        <MenuItem value="risky">{VERDICT_WORDS.risky}</MenuItem>
        <MenuItem value="invalid">{VERDICT_WORDS.invalid}</MenuItem>
      </TextField>
      <TextField
        label="Because"
        required
        multiline
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 200 } }}
        helperText="Shown with the verdict wherever the pair comes up."
      />
      <Stack direction="row" spacing={1}>
        <Button type="submit" size="small" variant="contained">
          Save our ruling
        </Button>
        <Button size="small" variant="text" color="inherit" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </Stack>
    </Box>
  );
}
