/** What one move does among the others: what it answers, what answers it, and a scene to draw it from. */
import { moveFacts, type Fact } from "../words/facts.ts";
import { TRADE } from "../trade/trade.ts";
import { checkFor } from "../policy/judge.ts";
import type { VerdictName } from "../base/verdict-words.ts";
import { sceneViews, type SceneView } from "./scene-view.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { answerTexts, feedTexts } from "../answers/answers.ts";
import type { Move } from "../words/types.ts";
import { answerBook, drillFor } from "../answers/answer-book.ts";
import { cellAt, type CellCode } from "../answers/book.ts";
import { finished } from "../base/work.ts";

/** A move that is tried, against one feed or answer. */
export interface TrialPair {
  readonly feed: string;
  readonly answer: string;
  /** As it is shown. */
  readonly verdict: VerdictName;
}
/** A move that is tried, with all it was tried against. */
export interface Trial {
  /** The move as an answer to the usual feeds. */
  readonly answers: readonly TrialPair[];
  /** The usual answers to the move as a feed. */
  readonly answeredBy: readonly TrialPair[];
  readonly scene: SceneView | null;
}

const VERDICT: Readonly<Record<CellCode, VerdictName | null>> = {
  ...{ v: "valid", d: "asDrill", r: "risky", x: "invalid", " ": null },
};

function pairs(feeds: readonly string[], answers: readonly string[], school: School): TrialPair[] {
  const book = finished(answerBook({ feeds, answers }, school));
  return book.feeds.flatMap(({ text }, f) =>
    book.answers.flatMap((answer, a): TrialPair[] => {
      const verdict = VERDICT[cellAt(book, f, 0, a)];
      return verdict ? [{ feed: text, answer: answer.text, verdict }] : [];
    }),
  );
}

/** Verdicts of trials, best first. */
export const BEST_FIRST: readonly VerdictName[] = ["valid", "asDrill", "risky", "invalid"];
const best = (found: readonly TrialPair[]): TrialPair | undefined =>
  BEST_FIRST.flatMap((v) => found.filter((p) => p.verdict === v))[0];

/** Tries a move of the school's vocabulary against the usual ones. */
export function tryMove(move: Move, school: School): Trial {
  const answers = pairs(TRADE.book.feeds, answerTexts(move), school);
  const asFeed = move.roles.includes("feed") && move.attack && !move.numbered ? feedTexts(move).slice(0, 1) : [];
  const answeredBy = pairs(asFeed, TRADE.book.answers, school);
  const shown = best(answeredBy) ?? best(answers);
  const text = shown && drillFor(shown.feed, shown.answer, "left", school);
  const checked = text === undefined ? null : checkFor(parse(text), school);
  const scene = checked ? (sceneViews(checked, checked.exchanges[0]?.row.index ?? 0)[0] ?? null) : null;
  return { answers, answeredBy, scene };
}

const FIST = {
  upright: "Fist upright, thumb on top: as this school has it.",
  flat: "Fist flat, thumb towards you: as this school has it.",
};

/** What a move does, with what this school has as its custom. */
export const factsFor = (move: Move, { customs }: School): Fact[] => [
  ...moveFacts(move),
  ...(move.fistByCustom ? [{ name: "Fist", value: FIST[customs.hookFist] }] : []),
];
