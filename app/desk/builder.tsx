/** Builds a row without typing: a feed, an answer that works, a return that reaches. Every step is an edit of the text. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { openRow } from "#core/score/rearrange.ts";
import { ask } from "../workers/client.ts";
import type { AnswerView, FeedView } from "../workers/questions/answers.ts";
import { PartnerMark } from "../ui/marks.tsx";
import { optionGroup } from "../ui/option-group.tsx";
import { AnswerList } from "./answer-list.tsx";

interface BuilderProps {
  readonly text: string;
  /** Called with the finished row. */
  readonly onAdd: (line: string) => void;
  readonly onClose: () => void;
}

/** The feeds, answers and returns that fit a drill, as its row is built. */
function useBuilt(text: string) {
  const [feeds, setFeeds] = useState<readonly FeedView[]>([]);
  // A row that was begun by hand is gone on with.
  const [feed, setFeed] = useState<FeedView | null>(() => {
    const begun = openRow(text)?.feed;
    return begun === undefined ? null : { text: begun, group: "in the text" };
  });
  const [answers, setAnswers] = useState<readonly AnswerView[] | null>(null);
  const [answer, setAnswer] = useState<string | null>(null);
  const [returns, setReturns] = useState<readonly FeedView[]>([]);

  useEffect(() => {
    void ask("feeds", { text }).then(setFeeds, () => setFeeds([]));
    // The feeds follow from the header rows, which do not change while a row is built.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => {
    setAnswers(null);
    setAnswer(null);
    if (feed) void ask("answers", { text, feed: `A ${feed.text}` }).then(setAnswers, () => setAnswers([]));
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [feed]);
  useEffect(() => {
    setReturns([]);
    if (feed && answer)
      void ask("returns", { text, feed: `A ${feed.text}`, answer }).then(setReturns, () => setReturns([]));
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [answer]);

  return { feeds, feed, setFeed, answers, answer, setAnswer, returns };
}

export function Builder({ text, onAdd, onClose }: BuilderProps) {
  const { feeds, feed, setFeed, answers, answer, setAnswer, returns } = useBuilt(text);
  const line = feed && answer ? `A ${feed.text} -> B ${answer}` : null;
  const put = (row: string) => {
    onAdd(row);
    setFeed(null);
  };
  return (
    <Box
      component="section"
      aria-label="Add a row"
      sx={{ borderTop: 2, borderColor: "primary.main", bgcolor: "background.paper", p: 2, mt: 1 }}
    >
      <Stack direction="row" spacing={1.5} sx={{ alignItems: "end", flexWrap: "wrap" }}>
        <PartnerMark actor="A" size={28} />
        <Autocomplete
          options={feed && !feeds.some(({ text: known }) => known === feed.text) ? [feed, ...feeds] : feeds}
          groupBy={(f) => f.group}
          // One list in groups, as readers expect it: the group is the item, its own list says nothing.
          renderGroup={optionGroup}
          getOptionLabel={(f) => f.text}
          isOptionEqualToValue={(a, b) => a.text === b.text}
          value={feed}
          onChange={(_, value) => setFeed(value)}
          openOnFocus={feed === null}
          sx={{ flex: "1 1 220px", maxWidth: 340 }}
          renderInput={(params) => <TextField {...params} label="A feeds" autoFocus={feed === null} />}
        />
        <Button variant="text" color="inherit" onClick={onClose}>
          Close the builder
        </Button>
      </Stack>
      {feed && (
        <Box sx={{ mt: 1.5 }}>
          <Stack direction="row" spacing={1.5} sx={{ alignItems: "center" }}>
            <PartnerMark actor="B" size={28} />
            <Typography variant="h3">{answer ? `answers with ${answer}` : `answers the ${feed.text} with`}</Typography>
            {answer && (
              <Button size="small" variant="text" color="inherit" onClick={() => setAnswer(null)}>
                another
              </Button>
            )}
          </Stack>
          {!answer && <AnswerList answers={answers} onPut={setAnswer} verb="Choose" />}
        </Box>
      )}
      {line && (
        <Stack direction="row" spacing={1} sx={{ mt: 1.5, flexWrap: "wrap", alignItems: "center" }}>
          <Button variant="contained" onClick={() => put(line)}>
            Add the row
          </Button>
          <Box component="span" sx={{ color: "text.secondary" }}>
            or with a return:
          </Box>
          {returns.slice(0, 8).map((r) => (
            <Button key={r.text} variant="outlined" onClick={() => put(`${line}, ${r.text}`)}>
              {r.text}
            </Button>
          ))}
        </Stack>
      )}
    </Box>
  );
}
