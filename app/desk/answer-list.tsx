/** Ranked answers with what each leaves open, filtered by hand, kind and tradition. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { styled } from "@mui/material/styles";
import { useState, type KeyboardEvent } from "react";
import { VerdictRing } from "../ui/marks.tsx";
import type { AnswerView } from "../workers/questions/answers.ts";
import { Rows } from "../ui/rows.tsx";

const AnswerButton = styled("button")(({ theme }) => ({
  font: "inherit",
  width: "100%",
  display: "grid",
  gridTemplateColumns: "22px 24px 1fr auto",
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
const ANY = "any";

interface ListProps {
  /** null: they are being looked for. */
  readonly answers: readonly AnswerView[] | null;
  readonly onPut: (answer: string) => void;
  readonly verb?: string;
}

/** What one answer leaves open beside what all do. */
function leaves(open: readonly string[], common: readonly string[]): string {
  const own = open.filter((move) => !common.includes(move));
  if (own.length > 0) return `open to ${own.slice(0, 2).join(", ")}`;
  return common.length > 0 ? "leaves no more open" : "leaves nothing open";
}

interface FilterProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly of: readonly string[];
}

/** Answers of one kind; left out where all are of it. */
function Filter({ label, value, onChange, of }: FilterProps) {
  const options = [...new Set(of)].sort();
  if (options.length < 2) return null;
  return (
    <TextField
      select
      variant="standard"
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      sx={{ flex: "1 1 84px" }}
    >
      <MenuItem value={ANY}>any</MenuItem>
      {options.map((o) => (
        <MenuItem key={o} value={o}>
          {o === "none" ? "no hand" : o}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface AnswerWordsProps {
  readonly answer: AnswerView;
  /** The key that puts it in. */
  readonly digit: string;
  /** What all answers of the list leave open. */
  readonly common: readonly string[];
}

const AnswerWords = ({ answer: a, digit, common }: AnswerWordsProps) => (
  <>
    <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
      {digit}
    </Box>
    <VerdictRing verdict={a.shown} size={18} />
    <span>
      {a.text}
      <Box component="span" sx={{ display: "block", color: "text.secondary", fontSize: "0.9rem", lineHeight: 1.25 }}>
        {leaves(a.open, common)}
        {a.ceiling !== null && (a.ceiling >= 1 ? ", at any speed" : `, up to ${Math.round(a.ceiling * 100)}%`)}
      </Box>
    </span>
    <Box component="span" sx={{ color: "text.secondary" }}>
      {a.marginCm} cm
    </Box>
  </>
);

/** The list; digits 1 to 9 put in the answer of that number while the list has the focus. */
export function AnswerList({ answers, onPut, verb = "Put in" }: ListProps) {
  const [all, setAll] = useState(false);
  const [hand, setHand] = useState(ANY);
  const [group, setGroup] = useState(ANY);
  const [tradition, setTradition] = useState(ANY);
  if (!answers) return <LinearProgress aria-label="Looking for answers" sx={{ mt: 1.5 }} />;
  const fits = answers.filter(
    (a) =>
      (hand === ANY || a.hand === hand) &&
      (group === ANY || a.group === group) &&
      (tradition === ANY || a.traditions.includes(tradition)),
  );
  const shown = all ? fits : fits.slice(0, FEW);
  const onKey = (event: KeyboardEvent) => {
    const chosen =
      /^[1-9]$/.test(event.key) && !event.ctrlKey && !event.metaKey ? shown[Number(event.key) - 1] : undefined;
    if (!chosen || (event.target as Element).tagName === "INPUT") return;
    event.preventDefault();
    onPut(chosen.text);
  };
  // What all of them leave open is said once.
  const common = (answers[0]?.open ?? []).filter((move) => answers.every(({ open }) => open.includes(move)));
  return (
    <Box onKeyDown={onKey}>
      {answers.length > FEW && (
        <Stack role="group" aria-label="Which answers" direction="row" spacing={1.5} sx={{ my: 1 }}>
          <Filter label="Hand" value={hand} onChange={setHand} of={answers.map((a) => a.hand)} />
          <Filter label="Kind" value={group} onChange={setGroup} of={answers.map((a) => a.group)} />
          <Filter
            label="Tradition"
            value={tradition}
            onChange={setTradition}
            of={answers.flatMap((a) => a.traditions)}
          />
        </Stack>
      )}
      {answers.length > 1 && common.length > 0 && (
        <Box sx={{ color: "text.secondary", fontSize: "0.9rem", mt: 1 }}>All leave {common.join(", ")} open.</Box>
      )}
      <Rows ordered aria-label="Answers that work" sx={{ mt: 1 }}>
        {shown.map((a, i) => (
          <li key={a.text}>
            <AnswerButton type="button" onClick={() => onPut(a.text)} title={`${verb} ${a.text}`}>
              <AnswerWords answer={a} digit={i < 9 ? `${i + 1}` : ""} common={answers.length > 1 ? common : []} />
            </AnswerButton>
          </li>
        ))}
        {fits.length === 0 && (
          <li>
            {answers.length === 0
              ? "Nothing in the school’s words answers this from here."
              : "None of this kind. Choose “any” above."}
          </li>
        )}
      </Rows>
      {fits.length > FEW && (
        <Button size="small" variant="text" color="inherit" onClick={() => setAll(!all)}>
          {all ? "Only the best" : `All ${fits.length}`}
        </Button>
      )}
    </Box>
  );
}
