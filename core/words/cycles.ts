/** Contact cycles as data: their versions, and what touches what at each count. */
import data from "./data/cycles.json" with { type: "json" };
import type { Side } from "../score/person.ts";

/** Where one arm of whoever is named first meets one of the partner. */
interface ContactPoint {
  readonly arm: Side;
  readonly meets: Side;
  readonly place: "inside" | "outside";
  readonly level: "over" | "under";
  readonly presses: "own" | "other" | "nobody";
}

interface CycleVersion {
  /** The word that chooses it. */
  readonly word: string;
  readonly says: string;
  /** The points of contact, count by count. */
  readonly counts: readonly (readonly ContactPoint[])[];
}

interface Cycle {
  readonly id: string;
  /** The first is the usual one. */
  readonly versions: readonly CycleVersion[];
}

const CYCLES = data.cycles as readonly Cycle[];

/** The version of a cycle that a word chooses; with none the usual one. null where the cycle has no such version. */
export function cycleVersion(id: string, word: string | null): CycleVersion | null {
  const versions = CYCLES.find((cycle) => cycle.id === id)?.versions ?? [];
  return (word === null ? versions[0] : versions.find((version) => version.word === word)) ?? null;
}

const PRESSES = { own: "pressing", other: "pressed on", nobody: "at rest" } as const;

/** A count in words: `right arm inside and under, pressed on; left arm outside and over, pressing`. */
export const countWords = (points: readonly ContactPoint[]): string =>
  points.map(({ arm, place, level, presses }) => `${arm} arm ${place} and ${level}, ${PRESSES[presses]}`).join("; ");
