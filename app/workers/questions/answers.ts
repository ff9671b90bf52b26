/** What answers a feed, what can go back, and what lands in spite of it. */
import type { VerdictName } from "#core/base/verdict-words.ts";
import { shownOf, shownOfAll } from "#core/drill/shown.ts";
import { answerBook, bookReason, drillFor, wholeBook, type BookReason } from "#core/answers/answer-book.ts";
import type { Book, Trained } from "#core/answers/book.ts";
import { rankAnswers, rankFeeds, rankReturns, type RankedFeed } from "#core/answers/answers.ts";
import { rankCombined, thrownInTurn } from "#core/answers/combined.ts";
import type { RowIndex } from "#core/base/units.ts";
import { coverage, type Coverage } from "#core/answers/coverage.ts";
import { trainedPairs, type TrainedText } from "#core/answers/trained.ts";
import { scoreView, type ScoreView } from "#core/formats/desk-view.ts";
import { checkFor } from "#core/policy/judge.ts";
import type { School } from "#core/policy/school.ts";
import type { BookChoice } from "#core/policy/settings.ts";
import { headerRows } from "#core/score/edit.ts";
import { linesOf } from "#core/score/structure.ts";
import { parse } from "#core/score/parse.ts";
import { closeCycle, type Closing } from "#core/answers/close-cycle.ts";
import { refute, type Refutation } from "#core/search/refute.ts";
import type { Checked } from "#core/drill/types.ts";
import { artOf, inArt } from "#core/trade/art.ts";
import { inOwnWords } from "#core/trade/own-words.ts";
import { sampleOf, standardKey, STANDARDS } from "#core/trade/standards.ts";
import { inTradition } from "#core/words/shown.ts";
import type { Answers, Desk } from "./question.ts";

export interface AnswerView {
  readonly text: string;
  readonly group: string;
  /** The limb it works with: `left`, `right`, `both`, or nothing of the kind. */
  readonly hand: "left" | "right" | "both" | "none";
  readonly traditions: readonly string[];
  readonly verdict: "valid" | "risky";
  /** The verdict as it is shown. */
  readonly shown: VerdictName;
  readonly marginCm: number;
  readonly ceiling: number | null;
  readonly open: readonly string[];
}

export interface CombinedView {
  readonly answers: readonly AnswerView[];
  /** Where the answers stand now, or where they are to be put. */
  readonly from: number;
  readonly to: number;
  /** What is written before them where there are none yet. */
  readonly before: string;
}

/** An answer as it stands in a list of what is taught, as it is shown, and whether it holds against the sample. */
export interface TaughtView {
  readonly text: string;
  readonly shown: string;
  readonly verdict: "valid" | "risky" | null;
}

/** A feed that can start or go on a drill. */
export interface FeedView {
  readonly text: string;
  readonly group: string;
}

type Side = "left" | "right";

export interface AnswerQuestions {
  answers: { ask: { text: string; feed: string }; answer: readonly AnswerView[] };
  /** What answers the whole first turn of a row, and what of the text it takes the place of; null for one feed. */
  combined: { ask: { text: string; row: RowIndex }; answer: CombinedView | null };
  /** The answers of a list against the sample of a standard, then what else holds against it. */
  taught: { ask: { key: string; answers: readonly string[] }; answer: readonly TaughtView[] };
  feeds: { ask: { text: string }; answer: readonly FeedView[] };
  /** Blows that reach after an answer. */
  returns: { ask: { text: string; feed: string; answer: string }; answer: readonly FeedView[] };
  /** The line that lands, and the same drawn. */
  refute: { ask: { text: string }; answer: { found: Refutation; drawn: ScoreView | null } };
  close: { ask: { text: string }; answer: readonly Closing[] };
  book: { ask: { choice: BookChoice }; answer: Book };
  /** All that the vocabulary throws and answers with. */
  wholeBook: { ask: Record<string, never>; answer: BookChoice };
  bookReason: { ask: { feed: string; answer: string; side: Side }; answer: BookReason | null };
  bookDrill: { ask: { feed: string; answer: string | null; side: Side }; answer: string };
  trained: { ask: { texts: readonly TrainedText[] }; answer: Trained };
  /** The same over the classes of a term, against the feeds of the school's book. */
  coverage: { ask: { texts: readonly TrainedText[]; feeds: readonly string[] }; answer: Coverage };
}

export const answerAnswers: Answers<AnswerQuestions> = {
  answers: ({ text, feed }, desk) => answers(text, feed, desk),
  combined: ({ text, row }, desk) => combined(text, row, desk),
  taught: ({ key, answers: listed }, { school }) => taught(key, listed, school),
  feeds: ({ text }, { reader, school }) => shown(rankFeeds(headerRows(reader.read(text)), school), school),
  returns: ({ text, feed, answer }, { reader, school }) =>
    shown(rankReturns(headerRows(reader.read(text)), feed, answer, school), school),
  refute: ({ text }, desk) => refuted(text, desk),
  close: ({ text }, { reader, school }) => closeCycle(text, checkFor(reader.read(text), school), school),
  book: ({ choice }, { school }) => answerBook(choice, school),
  wholeBook: (_, { school }) => wholeBook(school),
  bookReason: ({ feed, answer, side }, { school }) => bookReason(feed, answer, side, school),
  bookDrill: ({ feed, answer, side }, { school }) => drillFor(feed, answer, side, school),
  trained: ({ texts }, { school }) => trainedPairs(texts, school),
  coverage: ({ texts, feeds }, { school }) => coverage(texts, feeds, school),
};

/** What stays open behind an answer, of what this drill throws: that a kick might come is known without saying. */
function openIn(drill: Checked, { vocabulary }: School): (exchange: Checked["exchanges"][number]) => string[] {
  const art = artOf(drill);
  return ({ followUps }) =>
    followUps.filter(({ state, move }) => state === "open" && inArt(move, art, vocabulary)).map(({ move }) => move);
}

function answers(text: string, feed: string, { reader, school }: Desk): AnswerView[] {
  const score = reader.read(text);
  const open = openIn(checkFor(score, school), school);
  return rankAnswers(headerRows(score), feed, school).map(({ text: answer, move, exchange }) => {
    const hands = exchange.contact?.busy ?? [];
    return {
      text: inTradition(answer, move, school.customs.names, school.vocabulary),
      group: move.group,
      hand: hands.length > 1 ? "both" : (hands[0] ?? "none"),
      traditions: Object.keys(move.names),
      verdict: exchange.verdict === "risky" ? "risky" : "valid",
      shown: shownOf(exchange),
      marginCm: Math.round((exchange.margin ?? 0) * 1000) / 10,
      ceiling: exchange.ceiling,
      open: open(exchange),
    };
  });
}

/** What several exchanges come to, and how that is shown. */
function together(exchanges: Checked["exchanges"]): Pick<AnswerView, "verdict" | "shown"> {
  const risky = exchanges.some(({ verdict }) => verdict === "risky");
  return { verdict: risky ? "risky" : "valid", shown: shownOfAll({ verdict: risky ? "risky" : "sound", exchanges }) };
}

function combined(text: string, row: RowIndex, { reader, school }: Desk): CombinedView | null {
  const score = reader.read(text);
  const item = [...linesOf(score.items)].find((one) => one.row.index === row);
  const [fed, answered] = item?.line.turns ?? [];
  const header = headerRows(score);
  const actor = fed?.actor;
  if (!item || !fed || !actor || actor === "both" || actor === "any") return null;
  const at = item.row.from;
  const thrown = thrownInTurn(header, text.slice(at + fed.from, at + fed.to), school);
  if (thrown.length === 0) return null;
  const checked = checkFor(score, school);
  const open = openIn(checked, school);
  const spans = checked.exchanges.flatMap((e) =>
    e.row === item.row && e.feeder === actor && e.answerSpan && e.answerSpan.from < (answered?.to ?? 0)
      ? [e.answerSpan]
      : [],
  );
  const ends = spans.length > 0 ? [spans[0]!.from, spans[spans.length - 1]!.to] : [fed.to, fed.to];
  return {
    answers: rankCombined(header, actor, thrown, school).map(({ text: answer, exchanges }) => ({
      text: answer,
      group: "in one go",
      hand: "none",
      traditions: [],
      ...together(exchanges),
      marginCm: Math.round(Math.min(...exchanges.map(({ margin }) => margin ?? 0)) * 1000) / 10,
      ceiling: exchanges.reduce<number | null>(
        (least, { ceiling }) => (ceiling === null ? least : Math.min(ceiling, least ?? ceiling)),
        null,
      ),
      open: open(exchanges[exchanges.length - 1]!),
    })),
    from: at + ends[0]!,
    to: at + ends[1]!,
    before: spans.length > 0 ? "" : ` -> ${actor === "B" ? "A" : "B"} `,
  };
}

function taught(key: string, listed: readonly string[], school: School): TaughtView[] {
  const standard = STANDARDS.find((one) => standardKey(one) === key);
  if (!standard) return [];
  const { context, feed } = sampleOf({ ...standard, tradition: undefined });
  const found = rankAnswers(context, `A ${feed}`, school, Infinity);
  const names = standard.tradition ?? school.customs.names;
  return [...new Set([...listed, ...found.map(({ text }) => text)])].map((text) => {
    const verdict = found.find((one) => one.text === text)?.exchange.verdict;
    return {
      text,
      shown: inOwnWords(text, names, school.vocabulary),
      verdict: verdict === "valid" || verdict === "risky" ? verdict : null,
    };
  });
}

/** Feeds in the words of the tradition that the school shows. */
const shown = (feeds: readonly RankedFeed[], { customs, vocabulary }: School): FeedView[] =>
  feeds.map(({ text, move }) => ({
    text: inTradition(text, move, customs.names, vocabulary),
    group: move.group,
  }));

function refuted(text: string, { reader, school }: Desk): AnswerQuestions["refute"]["answer"] {
  const score = reader.read(text);
  const found = refute(checkFor(score, school), school);
  if (found.kind !== "refuted") return { found, drawn: null };
  return { found, drawn: scoreView(checkFor(parse([...headerRows(score), "", found.line].join("\n")), school)) };
}
