/** What makes two people a good pair, in points and in words. */
import type { Age, Ages } from "./ages.ts";
import { meetingOf } from "./meet.ts";
import { MASS_RATIO, PAIR_WEIGHTS, weightText, type PairWeights } from "../policy/pair-weights.ts";

/** A person as pairs are made. */
export interface Person {
  readonly id: string;
  readonly name: string;
  /** m; null where it was never measured. */
  readonly height: number | null;
  /** kg. */
  readonly mass: number | null;
  readonly age: Age;
  /** Of a minor, where it is known. */
  readonly ages?: Ages | null;
  readonly lead: "left" | "right";
  /** 1 (new) to 5; 0: here for the first time. */
  readonly level: number;
  readonly limits: readonly string[];
}

/** The level of a trial guest, below that of anybody who has begun. */
export const GUEST_LEVEL = 0;

/** Only meetings count: everybody with everybody. */
export const MEETINGS_ONLY: PairWeights = { ...PAIR_WEIGHTS, height: 0, mass: 0, level: 0, lead: 0, minorWithAdult: 0 };
/** What is wished of two people: kept apart, kept together, or a minor who may work with an adult. */
export interface Wish {
  readonly a: string;
  readonly b: string;
  readonly kind: "apart" | "together" | "agreed";
}

/** What is known when two people are scored. */
export interface PairFacts {
  readonly weights: PairWeights;
  /** Meetings of this term before tonight, and tonight, by `pairKey`. */
  readonly met: ReadonlyMap<string, number>;
  readonly tonight: ReadonlyMap<string, number>;
  readonly wishes: ReadonlyMap<string, Wish["kind"]>;
  /** What is trained cannot be done without contact: who may have none with somebody is no partner for them. */
  readonly contactOnly?: boolean;
}
/** Nothing known of a pair. */
export const NO_FACTS: PairFacts = {
  weights: PAIR_WEIGHTS,
  met: new Map(),
  tonight: new Map(),
  wishes: new Map(),
};

/** Returns one key for two ids in either order. */
export const pairKey = (a: string, b: string): string => (a < b ? `${a}|${b}` : `${b}|${a}`);
/** Wishes by pair; to be kept apart outweighs any other. */
export const wishMap = (wishes: readonly Wish[]): Map<string, Wish["kind"]> =>
  new Map(
    [...wishes]
      .sort((x, y) => Number(x.kind === "apart") - Number(y.kind === "apart"))
      .map(({ a, b, kind }) => [pairKey(a, b), kind]),
  );

/** A pair may score at most this; penalties are taken off. */
const BEST = 1000;
/** A wish to be together outweighs everything but a meeting tonight. */
const TOGETHER = 500;

/** Points that each level less of the partner of a guest takes off, and two guests with each other. */
const STEADY = 60;
const MOST_LEVEL = 5;
const NO_GUEST_ALONE = 600;

interface PairScore {
  /** At least 1: somebody is always better than nobody. */
  readonly score: number;
  /** Never put together, whoever wants it. */
  readonly apart: boolean;
  /** No contact between them, and why; null: as the drill is. */
  readonly noContact: string | null;
  /** What speaks for and against it, in plain words. */
  readonly why: readonly string[];
}

const times = (n: number): string => (n === 1 ? "once" : n === 2 ? "twice" : `${n} times`);

/** Score of two people together, with the reasons. */
export function scorePair(a: Person, b: Person, { weights, met, tonight, wishes, contactOnly }: PairFacts): PairScore {
  const key = pairKey(a.id, b.id);
  const wish = wishes.get(key);
  const why: string[] = [];
  let off = 0;
  const now = tonight.get(key) ?? 0;
  const before = met.get(key) ?? 0;
  off += weights.tonight * now + weights.met * before;
  if (now > 0) why.push(`together ${times(now)} tonight already`);
  else if (before > 0) why.push(`met ${times(before)} this term`);
  else why.push("first time together");
  if (a.height !== null && b.height !== null) {
    const gap = Math.abs(a.height - b.height) * 100;
    off += (weights.height * gap) / 10;
    why.push(gap < 1 ? "same height" : `${Math.round(gap)} cm apart in height`);
  } else why.push("height not known");
  const meeting = meetingOf(a, b, wish);
  off += offForMass(a, b, weights);
  if (meeting.noContact) why.push(`${meeting.noContact}: no contact`);
  if (meeting.agreed) why.push(`${meeting.agreed}, as agreed`);
  const guests = [a, b].filter(({ level }) => level === GUEST_LEVEL).length;
  const levels = Math.abs(a.level - b.level);
  if (guests > 0) {
    // A guest is best with whoever is steadiest, and not with another guest.
    off += guests === 2 ? NO_GUEST_ALONE : STEADY * (MOST_LEVEL - levels);
    why.push(guests === 2 ? "both here for the first time: look in on them" : "a trial guest with somebody steady");
  } else {
    off += weights.level * levels;
    if (weights.level > 0 && levels > 1) why.push(`${levels} levels apart`);
  }
  if (weights.lead > 0) {
    if (a.lead === b.lead) off += weights.lead;
    else why.push("one left lead, one right lead");
  }
  const mixed = a.age !== b.age && [a.age, b.age].includes("minor");
  // A school that weighs this most wants no such pair that is not agreed.
  const never = mixed && wish !== "agreed" && weights.minorWithAdult >= weightText("minorWithAdult").most;
  if (mixed && wish !== "agreed") off += weights.minorWithAdult;
  if (never) why.push("a minor with an adult: not agreed");
  if (a.age === "minor" && b.age === "minor") why.push("both minors");
  if (meeting.apart) why.push(meeting.apart);
  if (wish === "together") {
    off -= TOGETHER;
    why.push("wished to work together");
  }
  const apart = never || meeting.apart !== null || (contactOnly === true && meeting.noContact !== null);
  return { score: Math.max(1, Math.round(BEST - off)), apart, noContact: meeting.noContact, why };
}

/** Points for a gap in weight beyond what contact allows. */
function offForMass(a: Person, b: Person, weights: PairWeights): number {
  if (a.mass === null || b.mass === null) return 0;
  const beyond = Math.max(a.mass, b.mass) / Math.min(a.mass, b.mass) - MASS_RATIO;
  return beyond > 0 ? weights.mass * (1 + beyond * 10) : 0;
}
