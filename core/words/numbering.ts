/** Numbering sets: which line each number names. */
export interface Angle {
  readonly line: "arc" | "thrust" | "overhead" | "upward";
  readonly side: "left" | "right" | null;
  readonly height: "high" | "mid" | "low";
  readonly part: string;
}
/** What a numbered move means where its conditions hold: notation with the angle's words put in. */
export interface StandardMove {
  readonly line?: Angle["line"];
  readonly holds?: "stick" | "no stick";
  /** The side of the receiver that is reached: of the name of the acting hand, or of the other. */
  readonly reaches?: "own side" | "other side";
  readonly text: string;
}
/** The role in which a number is used. */
export type NumberedRole = "strike" | "block" | "counter";

/** A numbering set: an angle for each number. */
export interface NumberingSet {
  readonly id: string;
  readonly name: string;
  /** Moves in the words of the notation, for sets of empty-hand blows. */
  readonly moves?: readonly string[];
  /** Lines of a weapon set, number 1 first. */
  readonly angles?: readonly Angle[];
}
