/**
 * What of a school's settings the check reads. Grades and rulings are not among it: they are applied to
 * what the check has found (`core/policy`), so that geometry knows no house rules.
 */
import type { CONTEXTS } from "../score/header.ts";
import { shippedVocabulary, type Vocabulary } from "../words/vocabulary.ts";
import { LOAD_WEIGHTS, type LoadWeights } from "./load-parts.ts";

/** What a score means where it says nothing. */
export interface Customs {
  /** The numbering set of a score that names none. */
  readonly numbering: string;
  /** The context of a score that names none. */
  readonly context: (typeof CONTEXTS)[number] | null;
  /** Which pad takes a left blow: the one straight across, or the one of the same name. */
  readonly pads: "opposite" | "same";
  /** What it is worth to root or ward off where a drill gives way. */
  readonly rooting: "risky" | "valid";
  /** Whether the school sets what minors do by itself; `strict`: nothing lands on the head, no locks, pads for the body. */
  readonly minors: "strict" | "own";
  /** Most feeds in a row of a drill for beginners. */
  readonly beginnersFeeds: 2 | 3 | 4 | 6;
  /** Whether it is said that who struck stays in reach. */
  readonly leaving: "self-protection" | "always" | "never";
}
/** The shipped customs: where honest experts differ. */
export const CUSTOMS: Customs = {
  numbering: "twelve angles",
  context: null,
  pads: "opposite",
  rooting: "risky",
  minors: "strict",
  beginnersFeeds: 4,
  leaving: "self-protection",
};

/** All that a check is told beside the score and the bodies at hand. */
export interface Usage {
  readonly vocabulary: Vocabulary;
  readonly customs: Customs;
  /** What each part of the load of a drill weighs. */
  readonly load: LoadWeights;
}

let shipped: Usage | null = null;
/** The words that ship and nothing of a school's own. */
export const shippedUsage = (): Usage =>
  (shipped ??= { vocabulary: shippedVocabulary(), customs: CUSTOMS, load: LOAD_WEIGHTS });
