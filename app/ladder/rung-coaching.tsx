/** What stands with a rung for whoever teaches it: the text with what is new marked, cues, a fault, the feeder's line. */
import Box from "@mui/material/Box";
import { diffLines } from "diff";
import type { Coaching } from "#core/ladder/coaching.ts";
import { playRows } from "#core/class/cautions.ts";
import { FONTS } from "../ui/theme.ts";
import { Terms } from "../ui/terms.tsx";

/** Said by a screen reader, drawn nowhere. */
const HEARD_ONLY = {
  position: "absolute",
  width: "1px",
  height: "1px",
  overflow: "hidden",
  clipPath: "inset(50%)",
} as const;

interface Props {
  readonly text: string;
  readonly before: string | null;
  readonly coaching: Coaching;
}

export const RungCoaching = ({ text, before, coaching }: Props) => (
  <Box
    sx={{
      display: "grid",
      gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
      columnGap: 3,
      rowGap: 1,
      pl: { xs: 0, md: 5 },
      pt: 0.5,
    }}
  >
    <MarkedText text={text} before={before} />
    <Terms sx={{ gridTemplateColumns: "72px minmax(0,1fr)", columnGap: 0, rowGap: 0, alignContent: "start" }}>
      <Said word="Say" lines={coaching.cues} />
      {coaching.fault && <Said word="Watch" lines={[coaching.fault]} />}
      <Said word="Feed" lines={[coaching.feeder]} />
      <Said word="Then" lines={[coaching.goOn]} />
    </Terms>
  </Box>
);

const Said = ({ word, lines }: { word: string; lines: readonly string[] }) => (
  <>
    <dt>{word}</dt>
    <dd>{lines.join(" ")}</dd>
  </>
);

/** What is done, row by row; a row that is new, or not as it was, has a mark and a word for it. */
function MarkedText({ text, before }: { text: string; before: string | null }) {
  const now = playRows(text).join("\n");
  const parts = before === null ? [] : diffLines(`${playRows(before).join("\n")}\n`, `${now}\n`);
  const rows = parts.length === 0 ? now.split("\n").map((row) => ({ row, fresh: false })) : marked(parts);
  return (
    <Box
      component="ol"
      aria-label="What is done"
      sx={{ listStyle: "none", m: 0, p: 0, fontFamily: FONTS.mono, overflowX: "auto" }}
    >
      {rows.map(({ row, fresh }, i) => (
        <Box
          component="li"
          key={`${i}${row}`}
          sx={{
            whiteSpace: "pre-wrap",
            pl: 1,
            borderLeft: 4,
            borderColor: fresh ? "primary.main" : "transparent",
            fontWeight: fresh ? 700 : 400,
            color: fresh ? "text.primary" : "text.secondary",
          }}
        >
          {row}
          {fresh && <span style={HEARD_ONLY}> (new)</span>}
        </Box>
      ))}
    </Box>
  );
}

const marked = (parts: readonly { readonly value: string; readonly added?: boolean; readonly removed?: boolean }[]) =>
  parts
    .filter((part) => !part.removed)
    .flatMap((part) =>
      part.value
        .replace(/\n$/, "")
        .split("\n")
        .map((row) => ({ row, fresh: part.added === true })),
    );
