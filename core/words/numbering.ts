/** Numbering sets: which line each number names. */
export interface Angle {
  readonly line: "arc" | "thrust" | "overhead" | "upward";
  readonly side: "left" | "right" | null;
  readonly height: "high" | "mid" | "low";
  readonly part: string;
}
export interface NumberingSet {
  readonly id: string;
  readonly name: string;
  /** Moves in the words of the notation, for sets of empty-hand blows. */
  readonly moves?: readonly string[];
  /** Lines of a weapon set, number 1 first. */
  readonly angles?: readonly Angle[];
}
