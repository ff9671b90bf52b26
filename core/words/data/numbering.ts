/**
 * Numbering sets. Strikes of a weapon set name a target on the receiver and a kind of line; which
 * stroke reaches it (forehand or backhand) follows from the hand that holds the weapon.
 * Twelve angles: one common order; common practice, no source.
 */
export type Angle = { readonly line: "arc" | "thrust" | "overhead" | "upward"; readonly side: "left" | "right" | null; readonly height: "high" | "mid" | "low"; readonly part: string };
export interface NumberingSet {
  readonly id: string;
  readonly name: string;
  /** Moves in the words of the notation, for sets of empty-hand blows. */
  readonly moves?: readonly string[];
  /** Lines of a weapon set, number 1 first. */
  readonly angles?: readonly Angle[];
}

const arc = (side: "left" | "right", height: "high" | "mid" | "low", part: string): Angle => ({ line: "arc", side, height, part });
const thrust = (side: "left" | "right" | null, height: "high" | "mid" | "low", part: string): Angle => ({ line: "thrust", side, height, part });

export const numberingSets: readonly NumberingSet[] = [
  { id: "punches", name: "Punches", moves: ["jab", "cross", "lead hook", "rear hook", "lead uppercut", "rear uppercut"] },
  { id: "five angles", name: "Five angles", angles: [arc("left", "high", "temple"), arc("right", "high", "temple"), arc("left", "low", "knee"), arc("right", "low", "knee"), thrust(null, "mid", "belly")] },
  { id: "seven angles", name: "Seven angles", angles: [arc("left", "high", "temple"), arc("right", "high", "temple"), arc("left", "mid", "ribs"), arc("right", "mid", "ribs"), thrust(null, "mid", "belly"), arc("left", "low", "knee"), arc("right", "low", "knee")] },
  {
    id: "eight directions", name: "Eight directions",
    angles: [{ line: "overhead", side: null, height: "high", part: "crown" }, arc("right", "high", "temple"), arc("right", "mid", "ribs"), arc("right", "low", "knee"), { line: "upward", side: null, height: "mid", part: "jaw" }, arc("left", "low", "knee"), arc("left", "mid", "ribs"), arc("left", "high", "temple")],
  },
  {
    id: "twelve angles", name: "Twelve angles",
    angles: [
      arc("left", "high", "temple"), arc("right", "high", "temple"), arc("left", "mid", "ribs"), arc("right", "mid", "ribs"),
      thrust(null, "mid", "belly"), thrust("left", "high", "chest"), thrust("right", "high", "chest"),
      arc("right", "low", "knee"), arc("left", "low", "knee"), thrust("left", "high", "eye"), thrust("right", "high", "eye"),
      { line: "overhead", side: null, height: "high", part: "crown" },
    ],
  },
];
