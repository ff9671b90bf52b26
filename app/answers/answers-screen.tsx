import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useCallback, useMemo, useState, type ReactNode } from "react";
import { BOOK_TOOLS, type Book, type Trained } from "#core/answers/book.ts";
import { TRADE } from "#core/trade/trade.ts";
import type { TrainedText } from "#core/answers/trained.ts";
import type { BookChoice } from "#core/policy/settings.ts";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { WorkProgress } from "../ui/work-progress.tsx";
import { useAnswer } from "../workers/use-answer.ts";
import { useLongWork } from "../workers/use-long-work.ts";
import { BookMap, type Place } from "./book-map.tsx";
import { ChooseMoves } from "./choose-moves.tsx";
import { holesOf, mapView, trainedBroken, type Filters, type Hole } from "./book-view.ts";
import { Holes, TrainedBroken } from "./holes.tsx";
import { PairPanel } from "./pair-panel.tsx";

interface AnswersProps {
  readonly trainedTexts: readonly TrainedText[];
  /** `2026-11-25` */
  readonly today: string;
}

const SIDES = [
  { value: "usual", label: "Right-handed" },
  { value: "other", label: "Left-handed" },
  { value: "both", label: "Both" },
] as const;
const TOOLS = [{ value: "all", label: "All tools" }, ...BOOK_TOOLS.map((value) => ({ value, label: value }))] as const;
const RANGES = [
  { value: "all", label: "Any range" },
  { value: "close", label: "close" },
  { value: "punch", label: "punch" },
  { value: "kick", label: "kick" },
  { value: "weapon", label: "weapon" },
] as const;

const MAP_AND_BESIDE = {
  display: "grid",
  gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 300px" },
  flex: 1,
  minHeight: 0,
} as const;

const NOTHING: Trained = {};

/** Does the school have an answer for everything it throws? */
export function AnswersScreen({ trainedTexts, today }: AnswersProps) {
  const { settings, version, patch, result } = useSettings();
  const choice: BookChoice = settings.book ?? TRADE.book;
  const work = useLongWork("book", { choice }, version);
  const book = work.result;
  const question = useMemo(() => ({ texts: trainedTexts }), [trainedTexts]);
  const trained = useAnswer("trained", question, version).answer ?? NOTHING;
  const [filters, setFilters] = useState<Filters>({ side: "usual", tool: "all", range: "all" });
  const [choosing, setChoosing] = useState(false);
  const [looked, setLooked] = useState<Place | null>(null);
  const [pinned, setPinned] = useState<Place | null>(null);
  const map = useMemo(() => book && mapView(book, trained, filters, today), [book, trained, filters, today]);
  const holes = useMemo(() => (book ? holesOf(book, trained) : []), [book, trained]);
  const broken = useMemo(() => (book ? trainedBroken(book, trained) : []), [book, trained]);
  const at = pinned ?? looked;
  const look = useCallback((place: Place) => setLooked(place), []);
  const filter = (part: Partial<Filters>) => {
    setFilters({ ...filters, ...part });
    setLooked(null);
    setPinned(null);
  };
  const row = at ? map?.rows[at.row] : undefined;
  const column = at ? map?.columns[at.column] : undefined;
  return (
    <>
      <ScreenHead title="Answer map" lead={leadOf(book, holes)}>
        <ForTeachers>
          <Button variant="outlined" onClick={() => setChoosing(true)}>
            Choose moves
          </Button>
        </ForTeachers>
      </ScreenHead>
      {result && "message" in result && <Notice tone="trouble">{result.message}</Notice>}
      <FilterRow filters={filters} onChange={filter} />
      <WorkProgress
        work={work}
        doing="Working out the answer map"
        not="The answer map was not worked out."
        start="Work it out"
      />
      {book && map && (
        <Box sx={MAP_AND_BESIDE}>
          <MapPart isEmpty={map.rows.length === 0 || map.columns.length === 0}>
            <BookMap map={map} at={at} onLook={look} onPick={setPinned} />
          </MapPart>
          <Beside>
            {row && column ? (
              <PairPanel
                book={book}
                trained={trained}
                feed={row.index}
                answer={column.index}
                side={filters.side}
                version={version}
                rulings={settings.rulings ?? []}
                onRule={(rulings) => patch({ rulings })}
                onClose={pinned ? () => setPinned(null) : null}
              />
            ) : (
              <Key />
            )}
            <TrainedBroken pairs={broken} />
            <Holes holes={holes} />
          </Beside>
        </Box>
      )}
      {choosing && (
        <ChooseMoves
          choice={choice}
          onClose={() => setChoosing(false)}
          onSave={(next) => {
            patch({ book: next });
            setChoosing(false);
          }}
        />
      )}
    </>
  );
}

/** The map, or why there is none to show. */
const MapPart = ({ isEmpty, children }: { readonly isEmpty: boolean; readonly children: ReactNode }) => (
  <Box
    className="scrolls"
    sx={{ minWidth: 0, height: { xs: "66vh", md: "calc(100vh - 218px)" }, position: "relative" }}
  >
    {isEmpty ? (
      <Box sx={{ p: 4, color: "text.secondary" }}>
        No feed of this tool and range is on the map. Take a filter away, or choose more moves.
      </Box>
    ) : (
      children
    )}
  </Box>
);

const Beside = ({ children }: { readonly children: ReactNode }) => (
  <Box
    component="aside"
    aria-label="The pair and the holes"
    sx={{
      borderLeft: { md: 1 },
      borderColor: { md: "hairline" },
      p: 2,
      overflow: "auto",
      maxHeight: { md: "calc(100vh - 218px)" },
    }}
  >
    {children}
  </Box>
);

interface FilterRowProps {
  readonly filters: Filters;
  readonly onChange: (part: Partial<Filters>) => void;
}

const FilterRow = ({ filters, onChange }: FilterRowProps) => (
  <Stack
    direction="row"
    sx={{ flexWrap: "wrap", columnGap: 4, px: { xs: 2, sm: 3 }, borderBottom: 1, borderColor: "hairline" }}
  >
    <WordChoice named label="Feeder" options={SIDES} value={filters.side} onChange={(side) => onChange({ side })} />
    <WordChoice named label="Tool" options={TOOLS} value={filters.tool} onChange={(tool) => onChange({ tool })} />
    <WordChoice named label="Range" options={RANGES} value={filters.range} onChange={(range) => onChange({ range })} />
  </Stack>
);

/** What the book comes to, in one sentence. */
function leadOf(book: Book | null, holes: readonly Hole[]): string {
  if (!book) return "Does the school have an answer for everything it throws?";
  const open = holes.filter((h) => h.kind !== "untrained").length;
  return open === 0
    ? `All ${book.feeds.length} feeds have a sound answer on both sides.`
    : `${book.feeds.length} feeds against ${book.answers.length} answers, each on two sides. Not answered: ${open}.`;
}

/** What the signs of the map mean, until a pair is looked at. */
function Key() {
  return (
    <Box component="section" aria-label="Signs of the map" sx={{ color: "text.secondary" }}>
      <Typography variant="h2" sx={{ color: "text.primary" }}>
        What the signs say
      </Typography>
      <p>
        Point at a cell, or go there with the arrow keys: this place says why. A closed ring is sound, half a ring is
        risky or holds as a drill alone (bare hands against a blade), dots are broken, a blank cannot be done with what
        the two hold.
      </p>
      <p>
        A dot inside the sign was trained in the last four weeks, half a dot long ago, none never. Dots with a ring of
        dashes: trained, and it does not hold.
      </p>
    </Box>
  );
}
