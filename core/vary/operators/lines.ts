/** What changes a line or two of the drill as they stand: parts, joins, other answers, other heights. */
import { CHANGES } from "../change-words.ts";
import { lineNumber } from "../../base/units.ts";
import { rankAnswers } from "../../answers/answers.ts";
import { beatText } from "../../score/format.ts";
import { beatOf, contextOf, plainScore, single, withBeats, withLines } from "../../score/edit.ts";
import { linesOf } from "../../score/structure.ts";
import { lineText } from "../../score/format.ts";
import type { Line, ScoreLine } from "../../score/types.ts";
import { HEIGHTS } from "../../words/types.ts";
import { firstOf, isCued, titled, type Candidate, type Operator } from "./shared.ts";

export const isolate: Operator = (checked) => {
  const lines = [...linesOf(checked.score.items)];
  const found: Candidate[] = [];
  for (const item of lines) {
    const first = checked.exchanges.find((e) => e.row === item.row && e.feed);
    const cut = first && firstExchange(item.line, first.feed!.from);
    // A cue alone with its first blow is no exchange to repeat.
    if (!cut || isCued(item, checked) || (lines.length === 1 && lineText(cut) === lineText(item.line))) continue;
    const what = lineText(cut);
    found.push({
      operator: "isolate",
      parameters: { row: lineNumber(item.row.index) },
      rows: plainScore(checked.score, [cut], titled(checked, "one exchange")),
      changed: CHANGES.alone(what),
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

export const otherAnswer: Operator = (checked, school) => {
  const found: Candidate[] = [];
  for (const item of linesOf(checked.score.items)) {
    const feedTurn = item.line.turns[0];
    const answerTurn = item.line.turns[1];
    const feeds = single(feedTurn);
    const answers = single(answerTurn);
    if (item.line.meets || !feedTurn || !answerTurn || !feeds || !answers || feeds.beats.length === 0) continue;
    const feed = `${feedTurn.actor ?? "A"} ${beatText(feeds.beats[0]!)}`;
    const now = beatText(answers.beats[0]!);
    const first = checked.exchanges.find((e) => e.row === item.row && e.feed)?.answer[0]?.move.id;
    const others = firstOf(
      rankAnswers(contextOf(checked.score), feed, school),
      ANSWERS_EACH,
      (other) =>
        // The same move under another name is no other answer.
        other.exchange.verdict === "valid" &&
        !now.startsWith(other.text) &&
        other.exchange.answer[0]?.move.id !== first,
    );
    for (const other of others) {
      const line = replaceAnswer(item, other.text);
      found.push({
        operator: "other-answer",
        parameters: { row: lineNumber(item.row.index), answer: other.text },
        rows: withLines(checked.score, (one) => (one === item ? line : one.line), titled(checked, other.text)),
        changed: CHANGES.otherAnswer(beatText(feeds.beats[0]!), other.text, now),
      });
    }
  }
  return found;
};

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

export const otherHeight: Operator = (checked, school) => {
  const found: Candidate[] = [];
  for (const item of linesOf(checked.score.items)) {
    const feeds = single(item.line.turns[0]);
    const exchange = checked.exchanges.find((e) => e.row === item.row && e.feed?.move.attack);
    const move = exchange?.feed?.move;
    if (item.line.meets || !feeds || !move?.heights || !item.line.turns[1]) continue;
    const now = exchange!.feed!.height ?? (exchange!.feed!.target ? null : move.heights[0]);
    for (const height of HEIGHTS) {
      if (height === now || !move.heights.includes(height)) continue;
      const words = beatText(feeds.beats[0]!).replace(/\s+(?:to\s+(?:(?:left|right)\s+)?\S+|high|mid|low)\b/gi, "");
      const feed = `${words} ${height}`;
      const actor = item.line.turns[0]!.actor ?? "A";
      const best = rankAnswers(contextOf(checked.score), `${actor} ${feed}`, school).find(
        (other) => other.exchange.verdict === "valid",
      );
      if (!best) continue;
      const answered = replaceAnswer(item, best.text);
      const line: Line = {
        ...answered,
        turns: answered.turns.map((turn, i) =>
          i === 0
            ? {
                ...turn,
                alternatives: [
                  withBeats(turn.alternatives[0]!, [beatOf(feed), ...turn.alternatives[0]!.beats.slice(1)]),
                ],
              }
            : turn,
        ),
      };
      found.push({
        operator: "other-height",
        parameters: { row: lineNumber(item.row.index), height },
        rows: withLines(checked.score, (one) => (one === item ? line : one.line), titled(checked, `${height} feed`)),
        changed: CHANGES.height(words, height, best.text),
      });
      break;
    }
  }
  return found;
};
