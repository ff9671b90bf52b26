/** What a line begins with, as one says it: its feed, or the stroke that meets. */
import type { Checked } from "../drill/types.ts";
import { beatText } from "../score/format.ts";
import { linesOf } from "../score/structure.ts";
import type { Beat, Line, Row, ScoreLine } from "../score/types.ts";
import { spoken } from "./change-words.ts";

/** All that is written in the first turn, as one says it. */
export const firstTurn = (line: Line): string => firstBeats(line).map(beatText).map(spoken).join(", ");

const firstBeats = (line: Line): readonly Beat[] => line.turns[0]!.alternatives[0]!.beats;

/**
 * The feeds of a line; what only prepares them (a touch before a push) goes unsaid where a feed is left. Where both
 * hands work, which one is said.
 */
export function saidFeed({ row, line }: ScoreLine, drill: Checked): string {
  const say = usesBothHands(drill) ? withHand : spoken;
  const beats = firstBeats(line);
  const fed = feedStarts(row, drill);
  const said =
    line.meets || drill.header.kind === "solo"
      ? []
      : beats.filter((beat) => fed.some((at) => at >= beat.from && at < beat.to) || beatText(beat).startsWith("~"));
  return (said.length === 0 ? beats : said).map((beat) => say(beatText(beat))).join(", ");
}

/** Where the feeds of a row stand; a touch that only prepares is none. */
const feedStarts = (row: Row, { exchanges }: Checked): number[] =>
  exchanges.flatMap((e) => (e.row === row && e.feed ? [e.feed.from] : []));

const HANDS = { L: "left", R: "right" } as const;
const withHand = (text: string): string => {
  const hand = /^([LR]) /.exec(text)?.[1] as keyof typeof HANDS | undefined;
  return hand ? `${HANDS[hand]} ${spoken(text)}` : spoken(text);
};

/** Both hands are named by their letters in what begins the rows of a drill. */
function usesBothHands({ score }: Checked): boolean {
  const texts = [...linesOf(score.items)].flatMap(({ line }) => firstBeats(line).map(beatText));
  return ["L ", "R "].every((letter) => texts.some((text) => text.startsWith(letter)));
}
