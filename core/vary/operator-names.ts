/**
 * The variation operators, a row each: what an instructor calls it, the stage of a ladder at which it comes, and the
 * drills that it exists for. Yielding grows by place, onset and blindness, never by calls or speed; what is felt is not
 * called; a person alone has nobody to answer. Common practice, no source. What an operator does is its entry in
 * `operators/table.ts`, without which this does not compile.
 */
import { keysOf } from "../base/keys.ts";
import type { Kind, Rule } from "../score/header.ts";
import type { Stage } from "../policy/stages.ts";

/** What a drill can be beside its kind; `operator-fits.ts` says how each is told. */
export type Trait =
  "pads" | "opposite leads" | "threes" | "tradition" | "armed" | "self-protection" | "self-protection, bare hands";

interface OperatorRow {
  readonly says: string;
  readonly stage: Stage;
  readonly kinds: readonly Kind[];
  /** Rules of the answerer under which it does not exist. */
  readonly notUnder?: readonly Rule[];
  /** What a drill may not be for it. */
  readonly notIn?: readonly Trait[];
}

const TABLE = {
  isolate: { says: "One exchange alone", stage: "parts", kinds: ["feeder", "flow", "sensitivity"] },
  solo: { says: "Alone, at home", stage: "parts", kinds: ["feeder"] },
  "tempo-down": { says: "Slower", stage: "parts", kinds: ["feeder", "flow", "solo"] },
  "other-answer": { says: "Another sound answer", stage: "variety", kinds: ["feeder", "sensitivity"] },
  "other-height": { says: "Another height", stage: "variety", kinds: ["feeder"] },
  "other-feed": { says: "Another feed for the same answer", stage: "variety", kinds: ["feeder", "sensitivity"] },
  "other-tool": { says: "Another tool", stage: "variety", kinds: ["feeder", "flow"] },
  mirror: { says: "Other side", stage: "variety", kinds: ["feeder", "flow", "sensitivity", "solo"] },
  "opposite-stance": {
    says: "The other foot in front",
    stage: "variety",
    kinds: ["feeder"],
    notIn: ["opposite leads"],
  },
  "add-return": { says: "Add a return", stage: "pairs", kinds: ["feeder"], notUnder: ["no strikes"] },
  "second-line": { says: "A second line of defence", stage: "variety", kinds: ["feeder"], notUnder: ["no hands"] },
  "leave-line": {
    says: "Step off with the answer",
    stage: "pairs",
    kinds: ["feeder"],
    notUnder: ["no steps", "contact kept"],
  },
  exit: { says: "A way out", stage: "chains", kinds: ["feeder"], notUnder: ["no steps", "contact kept"] },
  again: { says: "The same again", stage: "chains", kinds: ["feeder"] },
  sides: { says: "Each time on the other side", stage: "chains", kinds: ["feeder", "solo"] },
  "on-count": { says: "On the count", stage: "chains", kinds: ["solo"] },
  "one-go": { says: "All in one go", stage: "pairs", kinds: ["solo"] },
  "next-blow": { says: "One blow more on the pads", stage: "pairs", kinds: ["feeder"] },
  "swing-back": { says: "The holder swings back", stage: "chains", kinds: ["feeder"], notUnder: ["no steps"] },
  "any-time": { says: "A swing at any time", stage: "uncertainty", kinds: ["feeder"] },
  "other-way": { says: "The other way round", stage: "variety", kinds: ["feeder"] },
  "harder-push": { says: "A stronger push", stage: "force", kinds: ["sensitivity"] },
  "sudden-push": { says: "A sudden push", stage: "uncertainty", kinds: ["sensitivity"] },
  narrow: { says: "Feet together", stage: "variety", kinds: ["sensitivity"] },
  pattern: { says: "Another pattern of the cycle", stage: "variety", kinds: ["flow"] },
  chain: { says: "Join two lines", stage: "chains", kinds: ["feeder"] },
  "swap-hands": { says: "The hands change in the cycle", stage: "chains", kinds: ["flow"] },
  entry: { says: "An entry in the cycle", stage: "chains", kinds: ["flow"] },
  "opposite-finish": {
    says: "Finish with the other class",
    stage: "chains",
    kinds: ["feeder"],
    notUnder: ["no strikes"],
  },
  context: {
    says: "Another end",
    stage: "variety",
    kinds: ["feeder"],
    notIn: ["pads", "threes", "tradition", "armed", "self-protection"],
  },
  "swap-roles": { says: "Roles change", stage: "chains", kinds: ["feeder", "sensitivity"] },
  "answer-return": { says: "Counter for counter", stage: "chains", kinds: ["feeder"] },
  punish: { says: "The feeder uses what stays open", stage: "chains", kinds: ["feeder"], notIn: ["self-protection"] },
  restriction: { says: "Do with less", stage: "variety", kinds: ["feeder", "flow", "sensitivity"] },
  "third-person": { says: "Three in a triangle", stage: "variety", kinds: ["feeder"] },
  feint: { says: "A feint before it", stage: "uncertainty", kinds: ["feeder"], notIn: ["self-protection, bare hands"] },
  "hidden-feed": {
    says: "Hidden in your own attack",
    stage: "uncertainty",
    kinds: ["feeder"],
    notIn: ["self-protection"],
  },
  "responders-choice": { says: "Choice of answers", stage: "uncertainty", kinds: ["feeder", "sensitivity"] },
  calls: { says: "The coach calls", stage: "uncertainty", kinds: ["feeder"] },
  "feeders-choice": { says: "The feeder chooses", stage: "uncertainty", kinds: ["feeder", "sensitivity"] },
  "semi-live": {
    says: "Both move freely",
    stage: "uncertainty",
    kinds: ["feeder", "sensitivity"],
    notUnder: ["no steps"],
  },
  "tempo-up": { says: "Faster", stage: "tempo", kinds: ["feeder", "flow", "solo"] },
  contact: { says: "Harder", stage: "force", kinds: ["feeder"] },
} as const satisfies Record<string, OperatorRow>;

/** The name of an operator. */
export type OperatorId = keyof typeof TABLE;
/** The names of all operators. */
export const OPERATORS = keysOf(TABLE);
/** All operators in words. */
export const OPERATOR_NAMES = Object.fromEntries(OPERATORS.map((id) => [id, TABLE[id].says])) as Readonly<
  Record<OperatorId, string>
>;
/** Returns the stage of a ladder to which an operator belongs. */
export const stageOf = (id: OperatorId): Stage => TABLE[id].stage;
/** The row of an operator. */
export const operatorRow = (id: OperatorId): OperatorRow => TABLE[id];
