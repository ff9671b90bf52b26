/** Which feeds and answers the book lays out. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useEffect, useMemo, useState } from "react";
import { TRADE } from "#core/trade/trade.ts";
import type { BookChoice } from "#core/policy/settings.ts";
import { ask } from "../workers/client.ts";

interface ChooseProps {
  readonly choice: BookChoice;
  readonly onSave: (choice: BookChoice) => void;
  readonly onClose: () => void;
}

export function ChooseMoves({ choice, onSave, onClose }: ChooseProps) {
  const [whole, setWhole] = useState<BookChoice | null>(null);
  const [feeds, setFeeds] = useState(() => new Set(choice.feeds));
  const [answers, setAnswers] = useState(() => new Set(choice.answers));
  const [query, setQuery] = useState("");
  const narrow = useMediaQuery("(max-width: 700px)");
  useEffect(() => {
    void ask("wholeBook", {}).then(setWhole, () => undefined);
  }, []);
  const set = (next: BookChoice) => {
    setFeeds(new Set(next.feeds));
    setAnswers(new Set(next.answers));
  };
  const empty = feeds.size === 0 || answers.size === 0;
  return (
    <Dialog open onClose={onClose} fullScreen={narrow} maxWidth="md" fullWidth aria-labelledby="choose-title">
      <DialogTitle id="choose-title" sx={{ typography: "h2" }}>
        What the school throws, and what it answers with
      </DialogTitle>
      <DialogContent>
        <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", py: 1 }}>
          <TextField label="Find a move" value={query} onChange={(e) => setQuery(e.target.value)} />
          <Button variant="outlined" onClick={() => set(TRADE.book)}>
            The usual ones
          </Button>
          <Button variant="outlined" disabled={!whole} onClick={() => whole && set(whole)}>
            Everything
          </Button>
        </Stack>
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 3 }}>
          <MoveChecks title="Feeds" all={whole?.feeds ?? []} chosen={feeds} onChange={setFeeds} query={query} />
          <MoveChecks title="Answers" all={whole?.answers ?? []} chosen={answers} onChange={setAnswers} query={query} />
        </Box>
      </DialogContent>
      <DialogActions>
        {empty && <Box sx={{ color: "verdict.invalid", mr: "auto", pl: 2 }}>Choose at least one of each.</Box>}
        <Button variant="text" color="inherit" onClick={onClose}>
          Leave as it is
        </Button>
        <Button
          variant="contained"
          disabled={empty}
          onClick={() => onSave({ feeds: [...feeds], answers: [...answers] })}
        >
          Lay these out
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface ChecksProps {
  readonly title: string;
  readonly all: readonly string[];
  readonly chosen: ReadonlySet<string>;
  readonly onChange: (chosen: Set<string>) => void;
  readonly query: string;
}

function MoveChecks({ title, all, chosen, onChange, query }: ChecksProps) {
  // What was chosen stands first, in the order of the book; what is typed narrows both.
  const names = useMemo(() => [...new Set([...chosen, ...all])], [all, chosen]);
  const shown = names.filter((n) => n.toLowerCase().includes(query.trim().toLowerCase()));
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
      <Box component="legend" sx={{ typography: "h3" }}>
        {title}: {chosen.size}
      </Box>
      <Button size="small" variant="text" onClick={() => onChange(new Set())} disabled={chosen.size === 0}>
        None
      </Button>
      <Box sx={{ maxHeight: "48vh", overflow: "auto" }} tabIndex={-1}>
        {shown.map((name) => (
          <FormControlLabel
            key={name}
            sx={{ display: "flex", m: 0 }}
            control={
              <Checkbox
                size="small"
                checked={chosen.has(name)}
                onChange={(event) => {
                  const next = new Set(chosen);
                  if (event.target.checked) next.add(name);
                  else next.delete(name);
                  onChange(next);
                }}
              />
            }
            label={name}
          />
        ))}
      </Box>
    </Box>
  );
}
