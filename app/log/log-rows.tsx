/** Rounds of the log, evening by evening. */
import type { LogMark, LogRow } from "#server/views.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useRevalidator } from "react-router";
import { MARKS, markWord, TAKEN_OUT } from "#core/floor/marks.ts";
import { NOTHING, send } from "../floor/outbox.ts";
import { longDate } from "../ui/dates.ts";
import { DoneSnackbar, type Done } from "../ui/done-snackbar.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface RowsProps {
  readonly rows: readonly LogRow[];
  readonly names: Readonly<Record<string, string>>;
}

export function LogRows({ rows, names }: RowsProps) {
  const { correct, last, undo } = useCorrections();
  const evenings = [...new Map(rows.map((row) => [row.class_id, row])).values()];
  if (evenings.length === 0)
    return (
      <Box sx={{ py: 3, color: "text.secondary" }}>No round fits. Rounds come into the log when they were run.</Box>
    );
  const rounds = evenings.map(({ class_id, day, class: title }) => (
    <Box key={class_id} component="section" aria-label={`${title}, ${longDate(day)}`} sx={{ pt: 2 }}>
      <Typography variant="h2">
        <Link to={`/class/${class_id}`}>{title}</Link>, {longDate(day)}
      </Typography>
      <Rows aria-label={`Rounds of ${title}`}>
        {rows
          .filter((row) => row.class_id === class_id)
          .map((row) => (
            <LogLine key={`${row.round} ${row.people.join()}`} row={row} names={names} onCorrect={correct} />
          ))}
      </Rows>
    </Box>
  ));
  return (
    <>
      {rounds}
      <DoneSnackbar last={last} onAct={undo} />
    </>
  );
}

/** What a mark becomes. */
type Correct = (row: LogRow, mark: LogMark, to: string, said: string) => void;

/** Puts marks right, and takes the last of it back. */
function useCorrections() {
  const { revalidate } = useRevalidator();
  const [done, setDone] = useState<{ readonly last: Done; readonly back: (() => Promise<void>) | null } | null>(null);
  const post = async (row: LogRow, mark: LogMark, to: Pick<LogMark, "mark" | "words" | "id">) => {
    const fresh = { id: crypto.randomUUID(), at: Date.now(), round: row.round, person: mark.person, role: mark.role };
    await send(row.class_id, {
      ...NOTHING,
      marks: [{ ...fresh, mark: to.mark, text: to.words, corrects: to.id, revision: row.revision_id }],
    });
    await revalidate();
    return fresh.id;
  };
  const correct: Correct = (row, mark, to, title) =>
    void (async () => {
      const id = await post(row, mark, { id: mark.id, mark: to, words: "" });
      const back = async () => {
        await post(row, mark, { ...mark, id });
        setDone({ last: { kind: "restored", id, title }, back: null });
      };
      setDone({ last: { kind: "corrected", id, title }, back });
    })();
  return { correct, last: done?.last ?? null, undo: () => void done?.back?.() };
}

interface LineProps {
  readonly row: LogRow;
  readonly names: RowsProps["names"];
  readonly onCorrect: Correct;
}

function LogLine({ row, names, onCorrect }: LineProps) {
  const nameOf = (id: string) => names[id] ?? "Former member";
  return (
    <Row
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "80px minmax(0,260px) minmax(0,1fr) minmax(0,1fr)" },
        columnGap: 2,
        py: 0.5,
        alignItems: "baseline",
      }}
    >
      <Box sx={{ color: "text.secondary" }}>round {row.round + 1}</Box>
      <Box>{row.people.map(nameOf).join(", ")}</Box>
      <Box>
        <Link to={`/drills/${row.drill_id}`}>{row.drill}</Link>
        <Box component="span" sx={{ color: "text.secondary" }}>
          {row.side === null ? "" : `, ${row.side} lead`}
        </Box>
      </Box>
      <Stack direction="row" spacing={0.5} sx={{ flexWrap: "wrap" }}>
        {row.marks.map((one) => (
          <MarkWord
            key={one.id}
            mark={one}
            name={nameOf(one.person)}
            onCorrect={(to, said) => onCorrect(row, one, to, said)}
          />
        ))}
        {row.marks.length === 0 && <Box sx={{ color: "text.secondary" }}>not seen</Box>}
      </Stack>
    </Row>
  );
}

interface MarkProps {
  readonly mark: LogMark;
  readonly name: string;
  readonly onCorrect: (to: string, said: string) => void;
}

/** What was seen; it can be put right or taken out, and what stood there before stays in the log as corrected. */
function MarkWord({ mark, name, onCorrect }: MarkProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const said = `${name.split(" ")[0]} ${mark.role === "feeds" ? "feeding " : ""}${markWord({ ...mark, text: mark.words })}`;
  const correct = (to: string) => {
    setAnchor(null);
    onCorrect(to, said);
  };
  return (
    <>
      <Button size="small" variant="outlined" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        {said}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {MARKS[mark.role].map(({ id, word }) => (
          <MenuItem key={id} dense disabled={id === mark.mark} onClick={() => correct(id)}>
            It was: {word}
          </MenuItem>
        ))}
        <MenuItem dense onClick={() => correct(TAKEN_OUT)}>
          Not seen after all
        </MenuItem>
      </Menu>
    </>
  );
}
