import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { diffLines } from "diff";
import type { ReactNode } from "react";
import { Rows } from "../ui/rows.tsx";

interface ConflictProps {
  readonly mine: string;
  readonly theirs: { readonly text: string; readonly author: string; readonly version: number };
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
  readonly copy: ReactNode;
}

/** Two people changed the drill at once: both texts, what differs, and a choice. Nothing was lost. */
export function ConflictView({ mine, theirs, onKeepMine, onTakeTheirs, copy }: ConflictProps) {
  return (
    <Box
      role="alertdialog"
      aria-labelledby="conflict-title"
      sx={{ mx: { xs: 2, sm: 3 }, my: 2, p: 2, border: 2, borderColor: "verdict.risky" }}
    >
      <Typography variant="h2" id="conflict-title">
        This drill was changed somewhere else meanwhile
      </Typography>
      <Typography sx={{ mt: 0.5, mb: "1em" }}>
        {theirs.author} saved revision {theirs.version}. Both texts are below; whichever you choose, the other stays
        among the revisions or becomes a drill of its own.
      </Typography>
      <TextDiff before={theirs.text} after={mine} beforeName="Theirs only" afterName="Yours only" />
      <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", mt: 2 }}>
        <Button variant="contained" onClick={onKeepMine}>
          Keep mine on top
        </Button>
        <Button variant="outlined" onClick={onTakeTheirs}>
          Take theirs
        </Button>
        {copy}
      </Stack>
    </Box>
  );
}

/** Two texts row by row; a sign and a word say what the colour says. */
export function TextDiff({
  before,
  after,
  beforeName,
  afterName,
}: {
  before: string;
  after: string;
  beforeName: string;
  afterName: string;
}) {
  return (
    <Rows
      aria-label="Differences"
      tabIndex={0}
      sx={{
        p: 1,
        fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace",
        fontSize: "0.95rem",
        maxHeight: 340,
        overflow: "auto",
        bgcolor: "background.paper",
      }}
    >
      {diffLines(before, after).flatMap((part, p) =>
        part.value
          .replace(/\n$/, "")
          .split("\n")
          .map((line, i) => (
            <Box
              component="li"
              key={`${p}.${i}`}
              sx={{
                whiteSpace: "pre-wrap",
                color: part.removed ? "partner.A" : part.added ? "partner.B" : "text.secondary",
              }}
            >
              {part.removed ? "− " : part.added ? "+ " : "  "}
              {line}
              {(part.removed || part.added) && i === 0 && (
                <Box component="span" sx={{ float: "right", fontFamily: "inherit" }}>
                  {part.removed ? beforeName : afterName}
                </Box>
              )}
            </Box>
          )),
      )}
    </Rows>
  );
}
