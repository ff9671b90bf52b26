/** How hard a drill is: a total of named parts, each computed from the score and its check. */
import { AnyTimes } from "./any-time.ts";
import { share, type Share } from "../base/units.ts";
import { LOAD_PARTS, type LoadPart, type LoadWeights } from "../customs/load-parts.ts";
import { stanceNamed, USUAL_STANCE } from "../score/postures.ts";
import type { LineShare } from "./shares.ts";
import type { Header } from "../score/header.ts";
import { expandRange } from "../score/ranges.ts";
import { gameKey } from "../score/game-rows.ts";
import { headerValue, linesOf, linesToChoose } from "../score/structure.ts";
import type { Score, ScoreGame, ScoreItem } from "../score/types.ts";

/** The load of a drill, whole and by its parts. */
export interface Load {
  readonly total: number;
  readonly parts: Readonly<Record<LoadPart, number>>;
}

const CONTACT_STEP = { none: 0, light: 1, medium: 2, full: 3 } as const;

/** A return is a beat to remember, but nobody has to answer it; a set-up or an exit is less. */
const RETURN_SHARE = 0.4;
const EXTRA_SHARE = 0.2;

/** Load of a score from what each of its lines adds, with what each part weighs. Repeated passes count once. */
export function loadOf(score: Score, header: Header, shares: readonly LineShare[], weights: LoadWeights): Load {
  const sum = summed(shares);
  const raw: Record<LoadPart, number> = {
    choice: choiceBits(score.items) + sum.bits + new AnyTimes(score.items).bits,
    length: sum.exchanges + RETURN_SHARE * sum.returns + EXTRA_SHARE * sum.extraBeats + atOnce(score, header),
    coordination: sum.together + sidesOf(shares) + goesOn(score.items),
    footwork: sum.footwork,
    // Both move freely: nobody knows when it comes; a sudden push does not tell where it goes.
    cue:
      cueOf(header, sum.feints) +
      (headerValue(score, "cadence") === "free" ? 1 : 0) +
      (shares.some(({ suddenPush }) => suddenPush) ? SUDDEN : 0),
    pressure: pressureOf(header, sum.ceiling) + (shares.some(({ hardPush }) => hardPush) ? HARD : 0),
    consequence: CONTACT_STEP[header.contact] + (header.people.B.wears.length === 0 ? 0.5 : 0),
    restriction: header.rules.A.size + header.rules.B.size + header.rules.C.size + narrowIn(header),
  };
  const parts = {} as Record<LoadPart, number>;
  let total = 0;
  for (const part of LOAD_PARTS) {
    parts[part] = Math.round(raw[part] * weights[part] * 100) / 100;
    total += parts[part];
  }
  return { total: Math.round(total * 100) / 100, parts };
}

/** What pushes add that come all at once, and those with force behind them, however many they are. */
const SUDDEN = 0.5;
const HARD = 0.4;

/** What all lines of a drill add, of that on which a load rests. */
function summed(shares: readonly LineShare[]) {
  const sum = {
    bits: 0,
    exchanges: 0,
    returns: 0,
    extraBeats: 0,
    together: 0,
    footwork: 0,
    feints: 0,
    ceiling: share(Infinity),
  };
  for (const one of shares) {
    sum.bits += one.bits;
    sum.exchanges += one.exchanges;
    sum.returns += one.returns;
    sum.extraBeats += one.extraBeats;
    sum.together += one.together;
    sum.footwork += one.footwork;
    sum.feints += one.feints;
    if (one.ceiling !== null && one.ceiling < sum.ceiling) sum.ceiling = one.ceiling;
  }
  return sum;
}

/**
 * Feeds from both sides, 0 to 1: half of it for the first change of side from one row to the next (or
 * inside a row), and half of what is left for each further one.
 */
function sidesOf(shares: readonly LineShare[]): number {
  let left = 1;
  let last: "left" | "right" | null = null;
  for (const { fromLeft, fromRight } of shares) {
    if (!fromLeft && !fromRight) continue;
    const side = fromLeft && fromRight ? null : fromLeft ? "left" : "right";
    if (side === null || (last !== null && side !== last)) left /= 2;
    last = side;
  }
  return 1 - left;
}

/** Bits of each choice: log2 of the number of lines that may come. */
function choiceBits(items: readonly ScoreItem[]): number {
  let bits = 0;
  for (const item of items) {
    if (item.kind === "game") bits += gameBits(item);
    if (item.kind !== "block") continue;
    bits += choiceBits(item.items);
    if (item.head.type === "choose") {
      const lines = linesToChoose(item.items);
      if (lines > 1) bits += Math.log2(lines) * (item.head.by === "call" ? 0.7 : 1);
    }
  }
  return bits;
}

/** In a game the feeder has all their options, and the others half a bit for each of theirs. */
function gameBits({ keys }: ScoreGame): number {
  const counts = keys.flatMap((row) => {
    if (!/ may$/.test(gameKey(row))) return [];
    return [
      row.lines.reduce((sum, line) => sum + (line.turns[0]?.alternatives.length ?? 0) * expandRange(line).length, 0),
    ];
  });
  return counts.reduce((sum, count, i) => sum + (count > 1 ? Math.log2(count) * (i === 0 ? 1 : 0.5) : 0), 0);
}

/** Without a stop from row to row there is no time to set oneself again; with the other side each time still less. */
function goesOn(items: readonly ScoreItem[]): number {
  let most = 0;
  for (const item of items) {
    if (item.kind !== "block") continue;
    const inside = goesOn(item.items);
    const own = item.head.type === "choose" ? inside : 1 + (item.head.type === "loop" ? SIDES[item.head.sides] : 0);
    most = Math.max(most, inside, own);
  }
  return most;
}
const SIDES = { written: 0, each: 0.25, alternate: 0.5 } as const;

/** Alone, what is done in one go has to be remembered in one: the longest row counts, beat by beat. */
function atOnce({ items }: Score, { kind }: Header): number {
  if (kind !== "solo") return 0;
  const beats = [...linesOf(items)].flatMap(({ line }) => line.turns.map((turn) => turn.alternatives[0]!.beats.length));
  return IN_ONE_GO * Math.max(0, ...beats);
}
const IN_ONE_GO = 0.5;

/** How many stand on a smaller base than usual. */
const narrowIn = ({ actors, people }: Header): number =>
  actors.filter((actor) => {
    const stance = stanceNamed(people[actor].stance) ?? USUAL_STANCE;
    return Math.hypot(stance.length, stance.width) < NARROW;
  }).length;
/** A base so short is hard to keep, m. */
const NARROW = 0.2;

/** Called early < seen < hidden in a combination < felt; feints add. */
function cueOf(header: Header, feints: number): number {
  if (header.kind === "sensitivity") return 2;
  return (header.kind === "flow" ? 0.5 : 1) + feints * 0.5;
}

/** `ceiling`: the lowest of its exchanges, share of full speed; not finite where there is none. */
const pressureOf = ({ tempo }: Header, ceiling: Share): number =>
  Number.isFinite(ceiling) ? Math.min(2, tempo / ceiling) : tempo;
