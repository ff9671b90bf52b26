/** All valid answers of the vocabulary to one feed, ranked for the bodies at hand. */
import { inOwnWords } from "../trade/own-words.ts";
import { rankIn, standardFor, type Rank } from "../trade/standards.ts";
import { TRADE, withOwn } from "../trade/trade.ts";
import { Bounded, keptFor } from "../base/bounded.ts";
import { Numbers } from "../base/numbers.ts";
import { checkSingleFor } from "../policy/judge.ts";
import { blowOf, readAnswer, readFed, type Fed } from "../drill/single.ts";
import type { School } from "../policy/school.ts";
import type { Blow, CheckedExchange } from "../exchange/types.ts";
import type { Move } from "../words/types.ts";
import { checkText } from "./check-text.ts";

/** An answer to one feed, checked and ranked. */
export interface RankedAnswer {
  /** As it is written into a score. */
  readonly text: string;
  readonly move: Move;
  readonly exchange: CheckedExchange;
  /** 0 to 1: margin, tempo and what stays open, together. */
  readonly worth: number;
  /** Its place among what instructors give here, from 0; null where it is none of it. */
  readonly standard: number | null;
}

/** A blow or push that can be thrown here. */
export interface RankedFeed {
  readonly text: string;
  readonly move: Move;
}
/** A feed of A in its frame, ready to be answered. */
interface FramedFeed extends RankedFeed {
  readonly fed: Fed;
}

/** Ways in which a move may be written so that it can answer. */
export function answerTexts(move: Move): string[] {
  if (!move.roles.includes("answer") || move.numbered) return [];
  const { name } = move;
  if (move.requires) return [`${TRADE.companions[move.requires]} + ${name}`];
  if (move.answer?.some((m) => m.by === "pass")) return [`${TRADE.companions.aside} + ${name}`];
  // A head that goes aside where the feet stay can go to either side of the line: two answers.
  const aside = move.answer?.some(
    (m) => m.by === "displace" && m.way === "evade" && m.side?.head && !m.feet && !m.drop && !m.turn,
  );
  if (aside) return [`${name} out`, `${name} in`];
  // A plain step says nothing without its direction.
  if (move.answer?.some((m) => m.by === "displace" && m.way === "word" && m.feet?.forward && m.feet.back)) return [];
  if (move.group === "contact" && move.contact && !move.answer) return [];
  const heights = move.sides === "cover" && move.heights ? move.heights : [null];
  return heights.map((height) => (height ? `${name} ${height}` : name));
}

/**
 * Ranks the answers to a feed. `context`: header rows of the drill; `feed`: a feeder's turn such
 * as `A jab`. Every candidate is checked on its own; only valid and risky ones are given.
 */
export function rankAnswers(context: readonly string[], feed: string, school: School, limit = 40): RankedAnswer[] {
  return kept(school, "answers", context, feed, () => allAnswers(context, feed, school)).slice(0, limit);
}

const contexts = new WeakMap<readonly string[], number>();
const numbers = new Numbers();

/**
 * One number for all header rows under which answers are the same: rows that change none are left out,
 * and whether an answer is in time is asked of its ceiling.
 */
function numberOf(context: readonly string[]): number {
  let number = contexts.get(context);
  if (number === undefined) {
    const rows = context.filter((row) => !/^(title|focus|level|cadence|tempo)\s*:/i.test(row)).join("\n");
    contexts.set(context, (number = numbers.of(rows)));
  }
  return number;
}

/** Results of each question that are kept for sure: an answer with all its exchanges is large, a yes or no is not. */
const MOST_KEPT = {
  answers: 500,
  blows: 50,
  blow: 2000,
  feeds: 50,
  "feeds for": 500,
  returns: 2000,
  lands: 50_000,
  cover: 20_000,
  sound: 10_000,
} as const;
type Question = keyof typeof MOST_KEPT;

/** Results by school and what was asked: operators ask for the same feeds again and again. */
const results = new WeakMap<School, Map<Question, Bounded<string, unknown>>>();

function kept<T>(school: School, question: Question, context: readonly string[], asked: string, compute: () => T): T {
  const key = `${numberOf(context)} ${asked}`;
  const ofSchool = keptFor(results, school, () => new Map<Question, Bounded<string, unknown>>());
  let known = ofSchool.get(question);
  if (!known) ofSchool.set(question, (known = new Bounded(MOST_KEPT[question])));
  return known.of(key, compute) as T;
}

function allAnswers(context: readonly string[], feed: string, school: School): RankedAnswer[] {
  const fed = readFed(context, feed, school);
  if (!fed) return [];
  const { feed: asked, header } = fed;
  const [feeder, answerer] = [header.people[asked.actor], header.people[asked.receiver]];
  const standard = standardFor(
    { use: asked.use, blow: blowOf(fed), feeder, answerer, tradition: header.tradition },
    school.standards,
  );
  const found: RankedAnswer[] = [];
  const put = (move: Move, text: string, rank: Rank) => {
    // What holds and no instructor gives is no answer to show.
    if (rank.never) return;
    const beat = readAnswer(fed, text);
    // With other things in the hand the same word may mean another move: that one is tried by its own name.
    if (!beat?.uses.some((use) => use.move.id === move.id)) return;
    const exchange = checkSingleFor(fed, beat, school);
    if (exchange.verdict !== "valid" && exchange.verdict !== "risky") return;
    // A block without a height goes where it is needed: with one it is no other answer.
    const same = text.startsWith(`${move.name} `) && standard?.answers.includes(move.name);
    const worth =
      worthOf(exchange) -
      strange(move, exchange, header.kind) -
      (same ? STRANGE : 0) +
      (isUsual(text, school) ? USUAL_BONUS : 0);
    found.push({
      text: inOwnWords(text, header.tradition, school.vocabulary),
      move,
      exchange,
      worth,
      standard: exchange.verdict === "valid" ? rank.place : null,
    });
  };
  const texts = new Set<string>();
  for (const move of school.vocabulary.moves.values())
    for (const text of [...answerTexts(move), ...strikingTexts(move)]) {
      texts.add(text);
      put(move, text, rankIn(standard, text));
    }
  // What is given as two things at once, and blows that are the answer.
  const blows = blowOf(fed) ? TRADE.stopHits : [];
  // A count of a cycle is met by the same count.
  const same = asked.use.move.cycle ? [asked.use.text] : [];
  for (const text of [...(standard?.answers ?? []), ...(standard?.only ?? []), ...same, ...blows]) {
    const move = texts.has(text) ? undefined : readAnswer(fed, text)?.uses[0]?.move;
    texts.add(text);
    if (move) put(move, text, rankIn(standard, text));
  }
  return found.sort(byRank);
}

/** Blows that get out of the way, or take what comes, as they go. */
const strikingTexts = (move: Move): string[] =>
  move.attack && move.answer && !move.roles.includes("answer") && !move.numbered ? [move.name] : [];

/** What the trade gives first, in its order; then by worth. */
function byRank(a: RankedAnswer, b: RankedAnswer): number {
  if (a.standard !== b.standard) return (a.standard ?? Infinity) - (b.standard ?? Infinity);
  return b.worth - a.worth || a.text.localeCompare(b.text);
}

/** A blow by name; with each side where either limb can do it. */
function sidedTexts(move: Move): string[] {
  const sided = move.sides === "limb" && !move.fixedSide && /^(lead|rear) (hand|leg)$/.test(move.limb);
  return sided ? [`lead ${move.name}`, `rear ${move.name}`] : [move.name];
}

/** The same at each height that it can be done at. */
export const feedTexts = (move: Move): string[] =>
  sidedTexts(move).flatMap((text) =>
    move.heights && move.heights.length > 1 ? move.heights.map((height) => `${text} ${height}`) : [text],
  );

/** A feed with the line on which it comes. */
export interface FramedBlow extends FramedFeed {
  readonly blow: Blow;
}

/** Every blow of A at every height under these header rows, each with its line. */
export function framedBlows(context: readonly string[], school: School): readonly FramedBlow[] {
  return kept(school, "blows", context, "", () =>
    [...school.vocabulary.moves.values()]
      .filter((move) => move.roles.includes("feed") && move.attack && !move.numbered)
      .flatMap((move) => feedTexts(move).flatMap((text) => framedBlow(context, text, school) ?? [])),
  );
}

/** One blow of A as it comes under these header rows; null where they cannot throw it. */
export function framedBlow(context: readonly string[], text: string, school: School): FramedBlow | null {
  return kept(school, "blow", context, text, () => {
    const fed = readFed(context, `A ${text}`, school);
    const blow = fed && blowOf(fed);
    return fed && blow && { text, move: fed.feed.use.move, fed, blow };
  });
}

/** The answer that is preferred where it holds against a feed, else the best that does; null where none does. */
export function soundAnswer(
  context: readonly string[],
  feed: FramedFeed,
  preferred: string,
  school: School,
): string | null {
  return kept(school, "sound", context, `${feed.text} < ${preferred}`, () => {
    const beat = readAnswer(feed.fed, preferred);
    if (beat && checkSingleFor(feed.fed, beat, school).verdict === "valid") return preferred;
    return bestAnswer(context, `A ${feed.text}`, school)?.text ?? null;
  });
}

/** True where every layer of an answer covers behind the others, and no bare limb goes to a blade that passes anyway. */
export function allCover(context: readonly string[], feed: string, answer: string, school: School): boolean {
  return kept(school, "cover", context, `${feed} < ${answer}`, () => {
    const fed = readFed(context, feed, school);
    const beat = fed && readAnswer(fed, answer);
    if (!fed || !beat) return false;
    const { blow, layers } = checkSingleFor(fed, beat, school);
    const blade = blow?.tool === "blade";
    return layers.every((layer) => layer.fails === null && layer.margin > 0 && !(blade && layer.bareLimb));
  });
}

/** The feeds that a drill of these header rows can have: what A holds and the kind of drill decide. */
export function rankFeeds(context: readonly string[], school: School): FramedFeed[] {
  return kept(school, "feeds", context, "", () => allFeeds(context, school));
}

function allFeeds(context: readonly string[], school: School): FramedFeed[] {
  const sensitivity = readFed(context, `A ${TRADE.samples.push}`, school)?.header.kind === "sensitivity";
  const found: FramedFeed[] = [];
  for (const move of school.vocabulary.moves.values()) {
    if (!move.roles.includes("feed") || move.numbered || (move.energy !== undefined) !== sensitivity) continue;
    for (const text of sidedTexts(move)) {
      const fed = readFed(context, `A ${text}`, school);
      if (fed && (move.attack ?? move.energy)) found.push({ text, move, fed });
    }
  }
  return found;
}

/** The feeds of A that one and the same answer deals with: valid ones only. */
export function answerableFeeds(context: readonly string[], answer: string, school: School): readonly RankedFeed[] {
  return kept(school, "feeds for", context, answer, () =>
    rankFeeds(context, school).filter(({ fed }) => {
      const beat = readAnswer(fed, answer);
      return beat !== null && checkSingleFor(fed, beat, school).verdict === "valid";
    }),
  );
}

/** What is given against a feed: what the trade gives, where it gives anything; else whatever is valid. */
export function givenAnswers(context: readonly string[], feed: string, school: School): readonly RankedAnswer[] {
  const valid = rankAnswers(context, feed, school).filter((a) => a.exchange.verdict === "valid");
  const given = valid.filter((a) => a.standard !== null || a.move.own);
  return given.length > 0 ? given : valid;
}

/** The best answer that is valid, and whatever else is asked of it. */
export function bestAnswer(
  context: readonly string[],
  feed: string,
  school: School,
  fits: (answer: RankedAnswer) => boolean = () => true,
): RankedAnswer | undefined {
  return rankAnswers(context, feed, school).find((a) => a.exchange.verdict === "valid" && fits(a));
}

/** The usual blows with which an answer can go on: those that reach, with hands that are free. */
export function rankReturns(context: readonly string[], feed: string, answer: string, school: School): RankedFeed[] {
  return kept(school, "returns", context, `${feed} > ${answer}`, () =>
    [...school.vocabulary.moves.values()]
      .filter((move) => move.roles.includes("return") && move.attack && !move.numbered)
      .flatMap((move) => sidedTexts(move).map((text) => ({ text, move })))
      .filter(({ text }) => lands(context, feed, answer, text, school)),
  );
}

/** True where a blow can be sent back after an answer (and what was sent back before it). */
export function lands(context: readonly string[], feed: string, answer: string, back: string, school: School): boolean {
  return kept(school, "lands", context, `${feed} > ${answer} > ${back}`, () => {
    const responder = feed.trim().startsWith("B") ? "A" : "B";
    const checked = checkText([...context, "", `${feed} -> ${responder} ${answer}, ${back}`].join("\n"), school);
    const { returns } = checked.exchanges[0] ?? { returns: [] };
    return checked.verdict !== "broken" && returns[returns.length - 1]?.lands === true;
  });
}

/** What most clubs teach comes before what works as well. */
const usualOf = new WeakMap<School, ReadonlySet<string>>();
const isUsual = (text: string, school: School): boolean =>
  keptFor(usualOf, school, () => new Set(withOwn(TRADE.book.answers, school.vocabulary))).has(text);
const USUAL_BONUS = 0.12;

const CONTACT_GROUPS = new Set(["contact", "yielding"]);
const WEAPON_GROUPS = new Set(["weapon arm", "weapon defence"]);

/** How much less an answer is worth for each thing about it that a class would not train here. */
const STRANGE = 0.4;

/** Answers from another family of drill are possible but not what a class would train here. */
function strange(move: Move, { blow }: CheckedExchange, kind: string): number {
  const family = CONTACT_GROUPS.has(move.group) === (kind === "sensitivity");
  const tool = !WEAPON_GROUPS.has(move.group) || (blow?.weapon ?? null) !== null;
  const caught = !(move.answer ?? []).some((m) => m.by === "seize") || blow?.limb === "leg";
  // Who is held already has nobody to close in on.
  const far = move.requires === undefined || blow !== null;
  return STRANGE * [family, tool, caught, far].filter((usual) => !usual).length;
}

/** More clearance than this is no better, m. */
const ENOUGH = 0.05;

/** Less movement is better than more; a sound margin, time to spare and little left open count. */
function worthOf(exchange: CheckedExchange): number {
  const margin = Math.min(1, (exchange.margin ?? 0) / ENOUGH);
  const time = Math.min(1, (exchange.ceiling ?? 0) / 1.2);
  const open = exchange.followUps.reduce((sum, next) => sum + next.threat, 0);
  const displaced = exchange.layers.find((layer) => layer.by === "displace");
  const walks = displaced?.use.move.answer?.some((m) => m.by === "displace" && m.feet) ?? false;
  const moved = displaced ? (walks ? 0.15 : 0.04) : 0;
  const risky = exchange.verdict === "risky" ? 0.3 : 0;
  return Math.max(0, 0.4 * margin + 0.35 * time + 0.25 * (1 - Math.min(1, open / 2)) - moved - risky);
}
