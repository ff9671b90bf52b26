/** Minutes in, blocks out: warm-up, work on the rungs of a ladder with changing partners, a close. */
import { MOST_ROUNDS } from "../pairs/evening.ts";

/** The kinds of blocks of an evening. */
export const BLOCK_KINDS = ["warm-up", "work", "game", "drink", "free", "close"] as const;
type BlockKind = (typeof BLOCK_KINDS)[number];

/** A block of an evening; lengths in minutes. */
export interface Block {
  readonly id: string;
  readonly kind: BlockKind;
  readonly title: string;
  readonly minutes: number;
  /** Place of its rung on the ladder, from 0; null where nothing of it is trained. */
  readonly rung: number | null;
  /** Rounds with a change of partners after each. */
  readonly rounds: number;
  /** A circuit: the rungs of its stations. Pairs stay together and go on by a station after each round. */
  readonly stations?: readonly number[];
  /** Stays as it is when the evening is packed again. */
  readonly locked: boolean;
  /** Its own times, where it has begun: they hold whatever the evening is set to afterwards. */
  readonly clock?: Clock;
}

/** The lengths of work, change and rest, s. */
export interface Clock {
  /** Length of a round, s. */
  readonly round: number;
  /** Roles change after so many seconds. */
  readonly change: number;
  /** Between two rounds: partners change, drink, listen. s */
  readonly rest: number;
  /** To show what is new before the rounds of a block, s; two minutes where it is left out. */
  readonly explain?: number;
}
/** A round of three minutes with a change every half: common practice, no source. */
export const CLOCK: Clock = { round: 180, change: 30, rest: 45 };

/** Minutes before the first and after the last work, and to show each new rung. Common practice, no source. */
export const WARM_UP = 10;
/** Minutes that are left free at the end. */
export const FREE = 5;
/** Minutes for the close. */
export const CLOSE = 5;
/** To drink and change gear, about halfway, in a class that is long enough for it. */
export const DRINK = 3;
const DRINK_FROM = 60;
const EXPLAIN = 120;
/** A game between two blocks of work with children, minutes. */
export const GAME = 3;
/** Minutes that a block may have beyond its rounds: to show it, look and correct. */
const MORE_EACH = 4;
/** Steps of an evening that people keep apart, and the minutes that each wants at least. Common practice, no source. */
const MOST_STEPS = 5;
const STEP_MINUTES = 11;
/** The longest free play. */
const MOST_FREE = 15;
/** Most rounds of one block: after that it wants another rung. */
const MOST_ROUNDS_EACH = 6;
/** Blocks of work from which on there is time for free play behind them. */
const FREE_AFTER = 4;
/** Partners change at most so often on one rung, and at least so often. */
const ROUNDS = [3, 4, 2, 1];

/** Seconds of a round as a clock shows them: `1:30`. */
export const clockText = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

/** Minutes of a block of work: to show it, and its rounds with rests between. */
export const workMinutes = (rounds: number, clock: Clock): number =>
  Math.ceil(((clock.explain ?? EXPLAIN) + rounds * clock.round + (rounds - 1) * clock.rest) / 60);

/** Stretches of one round: who feeds, for how long. */
export function stretches({ round, change }: Clock): { readonly feeder: "A" | "B"; readonly seconds: number }[] {
  const found: { feeder: "A" | "B"; seconds: number }[] = [];
  for (let at = 0; at < round; at += change)
    found.push({ feeder: found.length % 2 === 0 ? "A" : "B", seconds: Math.min(change, round - at) });
  return found;
}

/** From so many seconds of a round on, pads change hands once, at half of it. Common practice, no source. */
const LONG_ROUND = 240;

/** Roles change after so many seconds: with pads once in a long round, else only between two rounds. */
export function changeOn({ pads }: { readonly pads: boolean }, { round, change }: Clock): number {
  if (!pads) return change;
  return round >= LONG_ROUND ? round / 2 : round;
}

/** Each holds for a whole round: partners stay for two rounds, and change roles between them. */
export const holdsWholeRound = (roles: { readonly pads: boolean }, clock: Clock): boolean =>
  changeOn(roles, clock) >= clock.round;

type Packed =
  | { readonly ok: true; readonly blocks: readonly Block[]; readonly left: number }
  | { readonly ok: false; readonly message: string };

interface Shape {
  /** Rounds come in twos, since each holds pads for a whole one. */
  readonly even?: boolean;
  /** How many rungs each theme has, one after another. */
  readonly parts?: readonly number[];
  /** The rung to begin with, where those before it are known from another evening. */
  readonly begin?: number;
  /** Titles of games that come between blocks of work, in turn. */
  readonly games?: readonly string[];
}
interface Names {
  readonly warmUp?: string;
  readonly close?: string;
  readonly drink?: string;
}
const DRINK_TITLE = "Drink, change gear, ask";
const CLOSE_TITLE = "Close: what was clean, what comes next";

interface Spacing {
  readonly rungs: number;
  /** Rounds come in ones or in twos. */
  readonly step: number;
  /** Minutes of a game between two blocks of work. */
  readonly between: number;
  readonly clock: Clock;
}

/** How many blocks of work fit into the minutes, of how many rounds, and what is left over. */
function spaced(room: number, { rungs, step, between, clock }: Spacing) {
  const taken = (rounds: number) => workMinutes(rounds, clock) + between;
  // Each rung adds one thing: fewer rounds on more of them come before more rounds on a few.
  const steps = Math.min(rungs, MOST_STEPS, Math.max(3, Math.floor(room / STEP_MINUTES)));
  const choices = ROUNDS.filter((n) => n % step === 0);
  const first = choices.find((n) => Math.floor(room / taken(n)) >= steps) ?? step;
  const most = (minutesThere: number) =>
    Math.min(Math.floor((minutesThere + between) / taken(first)), rungs + (rungs > 2 ? 1 : 0));
  const free = most(room - FREE) >= FREE_AFTER ? FREE : 0;
  const there = room - free;
  const count = most(there);
  // With few rungs each is worked for longer: more partners, not longer talk.
  let rounds = first;
  while (
    rounds < MOST_ROUNDS_EACH &&
    count * taken(rounds + step) - between <= there &&
    count * (rounds + step) <= MOST_ROUNDS
  )
    rounds += step;
  const each = workMinutes(rounds, clock);
  return { free, count, rounds, each, over: there - count * (each + between) + between };
}

/**
 * Packs the minutes of a class. The rungs rise to a peak before the end; the last block is an
 * easier one again, since people are tired then. `titles`: one for each rung of the ladder; `warmUp`, `close`, `drink`:
 * what those blocks are called.
 */
export function packClass(
  minutes: number,
  titles: readonly string[],
  clock: Clock = CLOCK,
  options: Names & Shape = {},
): Packed {
  const { warmUp = "Warm-up", close = CLOSE_TITLE, drink: drinkTitle = DRINK_TITLE } = options;
  const { even = false, parts: all = [titles.length], games = [] } = options;
  // Another theme begins where it begins.
  const begin = all.length === 1 ? Math.max(0, Math.min(options.begin ?? 0, titles.length - 1)) : 0;
  const parts = all.map((rungs) => rungs - begin);
  if (titles.length === 0)
    return { ok: false, message: "Choose a ladder or a drill first: there is nothing to work on." };
  const room = minutes - WARM_UP - CLOSE;
  const step = even ? 2 : 1;
  const least = workMinutes(step, clock);
  if (room < least)
    return {
      ok: false,
      message: `${minutes} minutes are too short: warm-up, close and ${even ? "two rounds" : "one round"} take ${WARM_UP + CLOSE + least}. Give more minutes or shorter rounds.`,
    };
  const between = games.length > 0 ? GAME : 0;
  const drink = minutes >= DRINK_FROM ? DRINK : 0;
  const { free, count, rounds, each, over } = spaced(room - drink, {
    rungs: titles.length - begin,
    step,
    between,
    clock,
  });
  const spread = Math.min(over, count * MORE_EACH);
  const work = partsOrder(count, parts, begin).map(({ rung, from }, i, steps): Block => ({
    id: `work-${i + 1}`,
    kind: "work",
    title: isAgain(steps, i) ? `Once more: ${titles[rung]!}` : stepTitle(titles, beforeIn(steps, i, from), rung),
    minutes: each + Math.floor(spread / count) + (i < spread % count ? 1 : 0),
    rung,
    rounds,
    locked: false,
  }));
  const play = free + Math.min(over - spread, MOST_FREE - free);
  const blocks = inOrder([
    block("warm-up", warmUp, WARM_UP),
    ...work,
    ...(between > 0 ? work.slice(1).map((_, i) => game(games[i % games.length]!, `game-${i + 1}`)) : []),
    ...(drink > 0 ? [block("drink", drinkTitle, drink)] : []),
    ...(play >= FREE ? [{ ...freePlay(), minutes: play }] : []),
    block("close", close, CLOSE),
  ]);
  return { ok: true, blocks, left: minutes - total(blocks) };
}

/** How many rungs each theme has. */
export function partsOf(rungs: readonly { readonly theme?: 0 | 1 }[]): readonly number[] {
  const second = rungs.filter(({ theme }) => theme === 1).length;
  return second === 0 ? [rungs.length] : [rungs.length - second, second];
}

/** A step of the evening: its rung, and the first rung of its theme. */
interface StepOf {
  readonly rung: number;
  readonly from: number;
}

/** Rungs in the order of the evening: each theme has its part of the blocks, the first one more where they do not divide. */
function partsOrder(count: number, parts: readonly number[], begin: number): StepOf[] {
  let from = begin;
  return parts.flatMap((rungs, i) => {
    const share = Math.floor(count / parts.length) + (i < count % parts.length ? 1 : 0);
    const start = from;
    from += rungs;
    return rungOrder(share, rungs).map((rung) => ({ rung: rung + start, from: start }));
  });
}

const isAgain = (steps: readonly StepOf[], i: number): boolean =>
  steps.slice(0, i).some(({ rung }) => rung === steps[i]!.rung);
/** The rung of the step before, where that is of the same theme; else none. */
const beforeIn = (steps: readonly StepOf[], i: number, from: number): number =>
  steps[i - 1]?.from === from ? steps[i - 1]!.rung : -1;

/** What a block is called that comes after another rung: all that is new since then, where that can be said in one breath. */
function stepTitle(titles: readonly string[], before: number, rung: number): string {
  // What was left out on the way is there by now, and of tempo the last word counts.
  const skipped = titles
    .slice(before + 1, rung)
    .filter((title) => !/^(?:A bit faster|Slower|Now at|Back to)/.test(title))
    .map((title) => title.replace(/\. (?:No |One |Not |Only |Nothing |Slow).*$/, ""));
  const [first, ...more] = [...skipped, titles[rung]!];
  const all = [
    first!,
    ...more.map((title) => title.replace(/^(?:[A-Z](?=[a-z])|A(?= bit ))/, (letter) => letter.toLowerCase())),
  ].join("; ");
  return before < 0 || all.length > MOST_LETTERS ? titles[rung]! : all;
}
const MOST_LETTERS = 90;

/** Blocks in the order of an evening: work as it stands, a game behind each while there are some, the drink halfway. */
export function inOrder(blocks: readonly Block[]): Block[] {
  const of = (kind: BlockKind) => blocks.filter((one) => one.kind === kind);
  const [work, games] = [of("work"), of("game")];
  const half = Math.ceil(work.length / 2);
  const played = work.flatMap((one, i) => [one, ...games.slice(i, i + 1)]);
  const last = games[half - 1] ?? work[half - 1];
  const pause = last ? played.indexOf(last) + 1 : 0;
  return [
    ...of("warm-up"),
    ...played.slice(0, pause),
    ...of("drink"),
    ...played.slice(pause),
    ...games.slice(work.length),
    ...of("free"),
    ...of("close"),
  ];
}

const block = (kind: BlockKind, title: string, minutes: number): Block => ({
  id: kind,
  kind,
  title,
  minutes,
  rung: null,
  rounds: 0,
  locked: false,
});

/** Stations of a circuit: with more, nobody remembers them. Common practice, no source. */
export const MOST_STATIONS = 5;

/** Several rungs at once: each pair begins at another station, so that gear is shared out. */
export function circuit(rungs: readonly number[], clock: Clock, id: string): Block {
  const stations = rungs.slice(0, MOST_STATIONS);
  return {
    ...block("work", `Circuit of ${stations.length} stations`, workMinutes(stations.length, clock)),
    id,
    rung: stations[0] ?? null,
    rounds: stations.length,
    stations,
  };
}

/** The rung at which a pair is in a round of a block. */
export function stationFor({ rung, stations }: Block, turn: number, pair: number): number {
  const at = stations?.[(pair + turn) % stations.length];
  return at ?? rung!;
}

/** A game with a score. */
export const game = (title: string, id: string): Block => ({ ...block("game", title, GAME), id });

/** Partners stay as they are and play within the theme; nothing is fed as agreed. */
export const freePlay = (id = "free"): Block => ({
  ...block("free", "Free play: the theme of tonight, light, with the partner you have", FREE),
  id,
});

/** Returns the minutes of several blocks together. */
export const total = (blocks: readonly Block[]): number => blocks.reduce((sum, b) => sum + b.minutes, 0);

/** Rungs in the order of the evening: evenly up the ladder, then one again from the middle of those. */
export function rungOrder(count: number, rungs: number): number[] {
  if (count <= 1) return count === 1 ? [0] : [];
  const rising = count > 2 && rungs > 2 ? count - 1 : count;
  const steps = Math.min(rising, rungs);
  const up = Array.from({ length: steps }, (_, i) => (steps === 1 ? 0 : Math.round((i * (rungs - 1)) / (steps - 1))));
  return rising < count ? [...up, up[Math.floor((up.length - 1) / 2)]!] : up;
}

/** What is wrong with blocks as they stand, in words; empty where nothing is. */
export function blockFaults(blocks: readonly Block[], minutes: number, loads: readonly number[]): string[] {
  const faults: string[] = [];
  const over = total(blocks) - minutes;
  if (over > 0) faults.push(`${over} minutes too long: shorten a block, or take one out.`);
  if (blocks[0]?.kind !== "warm-up") faults.push("It does not begin with a warm-up.");
  const work = blocks.filter((b) => b.rung !== null);
  const last = work[work.length - 1];
  const most = Math.max(...work.map((b) => loads[b.rung!] ?? 0));
  if (work.length > 2 && last && (loads[last.rung!] ?? 0) >= most)
    faults.push("The hardest rung comes last, when people are tired: move it forward or end with an easier one.");
  return faults;
}

/** Least minutes of warm-up and close when time is short. */
const SHORT_WARM_UP = 5;
const SHORT_CLOSE = 3;

/**
 * The evening in half its minutes: a shorter warm-up and close, and as many blocks of work as fit, evenly from the
 * first one up, nothing twice. Blocks keep their own minutes.
 */
export function inHalf(blocks: readonly Block[]): Block[] {
  const half = Math.floor(total(blocks) / 2);
  const warm = blocks
    .filter(({ kind }) => kind === "warm-up")
    .map((b) => ({ ...b, minutes: Math.min(b.minutes, SHORT_WARM_UP) }));
  const close = blocks
    .filter(({ kind }) => kind === "close")
    .map((b) => ({ ...b, minutes: Math.min(b.minutes, SHORT_CLOSE) }));
  const work = blocks.filter(({ rung }, i) => rung !== null && blocks.findIndex((one) => one.rung === rung) === i);
  const most = Math.max(0, ...work.map(({ minutes }) => minutes));
  const room = half - total(warm) - total(close);
  const count = Math.max(1, Math.min(work.length, Math.floor(room / Math.max(1, most))));
  // The furthest step is for a whole evening.
  const places = new Set(Array.from({ length: count }, (_, i) => Math.round((i * (work.length - 1)) / count)));
  return [...warm, ...work.filter((_, i) => places.has(i)), ...close];
}
