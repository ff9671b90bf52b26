/** What changes a line or two of the drill as they stand: parts, joins, other answers, other heights. */
import { CHANGES } from "../change-words.ts";
import { lineNumber } from "../../base/units.ts";
import { bestAnswer, framedBlow, givenAnswers, soundAnswer } from "../../answers/answers.ts";
import { beatText, lineText } from "../../score/format.ts";
import { beatOf, contextOf, plainScore, single, withBeats } from "../../score/edit.ts";
import { linesOf } from "../../score/structure.ts";
import type { MoveUse } from "../../read/types.ts";
import type { Checked } from "../../drill/types.ts";
import type { School } from "../../policy/school.ts";
import type { Line, ScoreLine } from "../../score/types.ts";
import { HEIGHTS } from "../../words/types.ts";
import { saidFeed } from "../feed-name.ts";
import {
  differentLines,
  firstOf,
  isCued,
  hitsOf,
  rebuilt,
  rowOf,
  titled,
  withHits,
  withLine,
  type Candidate,
  type Operator,
  type PlainLine,
} from "./shared.ts";

/** Returns drills of one line each. */
export const isolate: Operator = (checked) => {
  const lines = [...linesOf(checked.score.items)];
  const found: Candidate[] = [];
  for (const item of lines) {
    const first = checked.exchanges.find((e) => e.row === item.row && e.feed);
    const cut = first && firstExchange(item.line, first.feed!.from);
    // A cue alone with its first blow is no exchange to repeat.
    if (!cut || isCued(item, checked) || (lines.length === 1 && lineText(cut) === lineText(item.line))) continue;
    found.push({
      operator: "isolate",
      parameters: { row: lineNumber(item.row.index) },
      rows: plainScore(checked.score, [cut], titled(checked, "one exchange")),
      changed: CHANGES.alone([saidFeed({ ...item, line: cut }, checked), ...(cut.meets ? [] : answersOf(cut))]),
    });
  }
  return found;
};

/** The first feed of a line (and the set-ups before it) with its first answering beat, returns left out. */
function firstExchange(line: Line, feedFrom: number): Line | null {
  if (line.meets) return line;
  const [feed, answer] = line.turns;
  const a = single(feed);
  const b = single(answer);
  if (!feed || !answer || !a || !b) return null;
  return {
    ...line,
    turns: [
      {
        ...feed,
        alternatives: [
          withBeats(
            a,
            a.beats.filter((beat) => beat.from <= feedFrom),
          ),
        ],
      },
      { ...answer, alternatives: [withBeats(b, b.beats.slice(0, 1))] },
    ],
  };
}

const answersOf = ({ turns }: Line): string[] => (single(turns[1])?.beats ?? []).map(beatText);

/** Returns drills in which two lines are joined. */
export const chain: Operator = (checked) => {
  const lines = [...linesOf(checked.score.items)].filter((item) => joinable(item.line) && !isCued(item, checked));
  const found: Candidate[] = [];
  for (let i = 0; i + 1 < lines.length; i++) {
    const joined = join(lines[i]!.line, lines[i + 1]!.line);
    if (!joined) continue;
    found.push({
      operator: "chain",
      parameters: { row: lineNumber(lines[i]!.row.index), with: lineNumber(lines[i + 1]!.row.index) },
      rows: plainScore(checked.score, [joined], titled(checked, "joined")),
      changed: CHANGES.joined(joined.turns[0]!.alternatives[0]!.beats.map(beatText)),
    });
  }
  return found;
};

const joinable = (line: Line): boolean =>
  !line.meets && line.turns.length === 2 && line.turns.every((turn) => single(turn) !== null);

/** Feeds of both, then the answers of both in order; the returns of the second stay. */
function join(one: Line, two: Line): Line | null {
  const [feed1, answer1] = one.turns;
  const [feed2, answer2] = two.turns;
  if (!feed1 || !answer1 || !feed2 || !answer2 || (feed1.actor ?? "A") !== (feed2.actor ?? "A")) return null;
  const feeds = [...single(feed1)!.beats, ...single(feed2)!.beats];
  const answers = [...single(answer1)!.beats.slice(0, single(feed1)!.beats.length), ...single(answer2)!.beats];
  return {
    ...one,
    turns: [
      { ...feed1, alternatives: [withBeats(single(feed1)!, feeds)] },
      { ...answer1, alternatives: [withBeats(single(answer1)!, answers)] },
    ],
  };
}

/** How many other answers are offered for one exchange. */
const ANSWERS_EACH = 2;

/** Returns drills with another answer to a feed. */
export const otherAnswer: Operator = (checked, school) =>
  differentLines(checked).flatMap((line): Candidate[] => {
    const { item, exchange, answers } = line;
    const fed = item.line.turns[0]!.alternatives[0]!.beats.find(
      ({ from, to }) => exchange.feed!.from >= from && exchange.feed!.from < to,
    );
    if (!fed) return [];
    const feed = `${line.feeder} ${beatText(fed)}`;
    const now = answers[0]!;
    // The same move under another name is no other answer, nor is one that another row has already.
    const had = new Set(
      differentLines(checked)
        .filter((one) => one.feeds.join() === line.feeds.join())
        .flatMap((one) => one.exchange.answer.map(({ move }) => move.id)),
    );
    const others = firstOf(givenAnswers(contextOf(checked.score), feed, school), ANSWERS_EACH, (other) =>
      other.exchange.answer.every(({ move }) => !had.has(move.id)),
    );
    return others.map(({ text }) => {
      const answer = withHits(text, line);
      return {
        operator: "other-answer",
        parameters: { row: rowOf(line), answer },
        rows: withLine(checked, line, lineText(replaceAnswer(item, answer)), titled(checked, answer)),
        changed: CHANGES.otherAnswer(beatText(fed), answer, now),
      };
    });
  });

function replaceAnswer(item: ScoreLine, text: string): Line {
  return {
    ...item.line,
    turns: item.line.turns.map((turn, i) =>
      i === 1
        ? {
            ...turn,
            alternatives: [withBeats(turn.alternatives[0]!, [beatOf(text), ...turn.alternatives[0]!.beats.slice(1)])],
          }
        : turn,
    ),
  };
}

/** Returns drills at another height. */
export const otherHeight: Operator = (checked, school) =>
  differentLines(checked).flatMap((line): Candidate[] => {
    const { feed } = line.exchange;
    const move = feed!.move;
    const fed = single(line.item.line.turns[0])!.beats[0]!;
    if (!move.attack || !move.heights || feed!.from >= fed.to) return [];
    const now = feed!.height ?? (feed!.target ? null : move.heights[0]);
    const words = beatText(fed).replace(/\s+(?:to\s+(?:(?:left|right)\s+)?\S+|high|mid|low)\b/gi, "");
    return firstOf(
      HEIGHTS.filter((height) => height !== now && move.heights!.includes(height)).flatMap((height) => {
        const answers = answersAt(line, `${words} ${height}`, checked, school);
        const goes = framedBlow(contextOf(checked.score), `${words} ${height}`, school)?.blow.zone;
        // Where it goes by itself is no other height.
        return answers && goes !== line.exchange.blow?.zone ? [{ height, answers }] : [];
      }),
      1,
      () => true,
    ).map(({ height, answers }) => ({
      operator: "other-height",
      parameters: { row: rowOf(line), height },
      rows: withLine(
        checked,
        line,
        rebuilt(line, {
          feeds: [`${words} ${height}`, ...line.feeds.slice(1)],
          answers: [...answers, ...line.answers.slice(1)],
        }),
        titled(checked, `${height} feed`),
      ),
      changed: CHANGES.height(words, height, answers.join(", ")),
    }));
  });

const isStep = ({ move }: MoveUse): boolean => move.group === "footwork";
/** The steps that go with the answer of a line in its beat. */
const stepsOf = ({ exchange }: PlainLine): string[] =>
  exchange.answer.length > 1 ? exchange.answer.filter(isStep).map(({ text }) => text) : [];

/** The best answer to another feed with what the line hits in the same beat, or right after where that does not go. */
function answersAt(line: PlainLine, feed: string, checked: Checked, school: School): string[] | null {
  const context = contextOf(checked.score);
  const best = bestAnswer(context, `${line.feeder} ${feed}`, school);
  if (!best) return null;
  const framed = framedBlow(context, feed, school);
  const holds = (text: string) => framed !== null && soundAnswer(context, framed, text, school) === text;
  // The feet do what they did, where that still holds.
  const stepped = [best.text, ...stepsOf(line)].join(" + ");
  const answer = !best.exchange.answer.some(isStep) && holds(stepped) ? stepped : best.text;
  const hits = hitsOf(line);
  if (hits.length === 0) return [answer];
  const together = withHits(answer, line);
  return holds(together) ? [together] : [answer, ...hits];
}
