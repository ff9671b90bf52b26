/** What the term has trained: new and known pairs day by day, and every feed of the book with its answers. */
import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { TRADE } from "#core/trade/trade.ts";
import type { Coverage, CoveredFeed } from "#core/answers/coverage.ts";
import type { TrainedText } from "#core/answers/trained.ts";
import { ChartLater } from "../ui/chart-later.tsx";
import { shortDate } from "../ui/dates.ts";
import { FillRing } from "../ui/marks.tsx";
import { Notice, WordChoice } from "../ui/parts.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { useAnswer } from "../workers/use-answer.ts";
import { Row, Rows } from "../ui/rows.tsx";

/** Shades of what is new and what is known. */
const SHADES = [0.95, 0.3];
/** Most days that the chart shows: the last ones. */
const DAYS = 30;

export function TrainedView({ texts }: { texts: readonly TrainedText[] }) {
  const { settings, version } = useSettings();
  const feeds = (settings.book ?? TRADE.book).feeds;
  const question = useMemo(() => ({ texts, feeds }), [texts, feeds]);
  const { answer: found, trouble } = useAnswer("coverage", question, version);
  if (trouble) return <Notice tone="trouble">{trouble}</Notice>;
  if (!found) return <Box sx={{ p: 3, color: "text.secondary" }}>Counting what was trained…</Box>;
  return (
    <Box sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
      <Days found={found} />
      <Feeds found={found} />
    </Box>
  );
}

function Days({ found: { days } }: { found: Coverage }) {
  const shown = days.slice(-DAYS);
  if (shown.length === 0)
    return (
      <Box sx={{ py: 2, color: "text.secondary" }}>
        No class has trained anything yet: it counts from the day of a class whose rounds were paired.
      </Box>
    );
  return (
    <Box component="section" aria-label="Day by day" sx={{ pt: 2 }}>
      <Typography variant="h2">Pairs of feed and answer, day by day</Typography>
      <ChartLater
        label={shown.map((d) => `${shortDate(d.date)}: ${d.fresh} new, ${d.again} known`).join("; ")}
        series={[
          { name: "new that day", data: shown.map((d) => d.fresh) },
          { name: "trained before", data: shown.map((d) => d.again) },
        ]}
        shades={SHADES}
        categories={shown.map((d) => shortDate(d.date))}
        decimals={0}
        legend="top"
      />
    </Box>
  );
}

const SHOWN = [
  { value: "all", label: "All feeds" },
  { value: "open", label: "Not from both sides yet" },
  { value: "never", label: "Never trained" },
] as const;
type Shown = (typeof SHOWN)[number]["value"];
const fits: Readonly<Record<Shown, (feed: CoveredFeed) => boolean>> = {
  all: () => true,
  open: (feed) => feed.inBook && feed.sides.length < 2,
  never: (feed) => feed.times === 0,
};

function Feeds({ found: { feeds, both, one, none } }: { found: Coverage }) {
  const [shown, setShown] = useState<Shown>("all");
  const listed = feeds.filter(fits[shown]);
  return (
    <Box component="section" aria-label="Feed by feed" sx={{ pt: 2 }}>
      <Typography variant="h2">Feeds of the answer map</Typography>
      <Box sx={{ color: "text.secondary", mb: 0.5 }}>
        {both} came from both sides, {one} from one, {none} never.
      </Box>
      <WordChoice label="Which feeds" options={SHOWN} value={shown} onChange={setShown} />
      <Rows aria-label="Feeds">
        {listed.length === 0 && <Box sx={{ py: 1, color: "text.secondary" }}>None.</Box>}
        {listed.map((feed) => (
          <Feed key={`${feed.text}${feed.inBook}`} feed={feed} />
        ))}
      </Rows>
    </Box>
  );
}

const times = (n: number): string => (n === 1 ? "on one day" : `on ${n} days`);

function Feed({ feed }: { feed: CoveredFeed }) {
  const { text, sides, last, answers, inBook } = feed;
  return (
    <Row
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "230px 330px minmax(0,1fr)" },
        columnGap: 2,
        py: 0.6,
      }}
    >
      <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
        <FillRing share={sides.length === 2 ? 1 : sides.length === 1 ? 0.5 : 0} />
        <strong>{text}</strong>
        {!inBook && <Box sx={{ color: "text.secondary" }}>not in the book</Box>}
      </Stack>
      <Box>
        {last === null
          ? "never"
          : `${sides.length === 2 ? "both sides" : `${sides[0]!} side only`}, ${times(feed.times)}, last ${shortDate(last)}`}
      </Box>
      <Box sx={{ color: "text.secondary" }}>{answers.map((a) => `${a.text} ${a.times}×`).join(", ")}</Box>
    </Row>
  );
}
