/** Messages between screens and the check worker. */
import type { Book, BookReason } from "#core/answers/answer-book.ts";
import type { Coverage } from "#core/answers/coverage.ts";
import type { Trained, TrainedText } from "#core/answers/trained.ts";
import type { Bodies } from "#core/drill/check.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import type { ClassPlan, PlanInput } from "#core/class/plan.ts";
import type { CallLabel } from "#core/calls/calls.ts";
import type { PadLine } from "#core/formats/pad-lines.ts";
import type { MoveCard, TrialView } from "./words-work.ts";
import type { SceneView } from "#core/formats/scene-view.ts";
import type { compareTexts, DrillText, VerdictChange } from "#core/policy/compare.ts";
import type { BookChoice } from "#core/policy/settings.ts";
import type { TextEdit } from "#core/score/rearrange.ts";
import type { Closing } from "#core/search/close-cycle.ts";
import type { Refutation } from "#core/search/refute.ts";
import type { LadderOptions } from "#core/ladder/ladder-options.ts";
import type { OperatorId } from "#core/vary/operator-names.ts";

export interface MoveName {
  readonly name: string;
  readonly group: string;
  readonly hint: string;
}

export interface VariationView {
  readonly operator: OperatorId;
  readonly parameters: Readonly<Record<string, string | number>>;
  readonly text: string;
  readonly changed: string;
  readonly view: ScoreView;
}

/** A change that can stand on a rung. */
export interface ChangeView extends Omit<VariationView, "operator"> {
  readonly operator: OperatorId | "rows" | null;
  /** How many rows of the drill have come in. */
  readonly rows: number;
}
export interface RungView extends ChangeView {
  readonly alternatives: readonly ChangeView[];
}
export type LadderView =
  | {
      readonly ok: true;
      readonly rungs: readonly RungView[];
      readonly partial: boolean;
      readonly notes: readonly string[];
      /** Load that the last rung was asked to reach. */
      readonly top: number;
    }
  | { readonly ok: false; readonly message: string };

/** A cycle, or a way from drill to drill, that a search found. */
interface Found {
  readonly text: string;
  readonly changed: string;
  readonly view: ScoreView;
}
export type FlowView =
  | {
      readonly ok: true;
      readonly cycles: readonly (Found & { readonly evenness: number; readonly fresh: boolean })[];
      readonly tried: number;
      readonly whole: boolean;
    }
  | { readonly ok: false; readonly message: string };
export type BridgeView =
  | { readonly ok: true; readonly ways: readonly (Found & { readonly rows: number })[] }
  | { readonly ok: false; readonly message: string };

export interface AnswerView {
  readonly text: string;
  readonly group: string;
  /** The limb it works with: `left`, `right`, `both`, or nothing of the kind. */
  readonly hand: "left" | "right" | "both" | "none";
  readonly traditions: readonly string[];
  readonly verdict: "valid" | "risky";
  readonly marginCm: number;
  readonly ceiling: number | null;
  readonly open: readonly string[];
}

/** A feed that can start or go on a drill. */
export interface FeedView {
  readonly text: string;
  readonly group: string;
}

export type Rearrange =
  | { readonly kind: "move"; readonly row: number; readonly to: number }
  | { readonly kind: "nudge"; readonly row: number; readonly way: "up" | "down" }
  | { readonly kind: "add"; readonly line: string; readonly after: number | null };

export type FileRead =
  | { readonly ok: true; readonly text: string; readonly view: ScoreView }
  | { readonly ok: false; readonly message: string };

export interface Work {
  /** The school's settings, which everything after is checked with; gives what is wrong with them. */
  school: { ask: { settings: unknown }; answer: readonly string[] };
  /** `bodies`: of actual people, in place of those in the header. */
  check: { ask: { text: string; bodies?: Bodies }; answer: ScoreView };
  /** The exchanges of one row with the bodies of actual people. */
  scenes: { ask: { text: string; row: number; bodies: Bodies }; answer: readonly SceneView[] };
  names: { ask: Record<string, never>; answer: readonly MoveName[] };
  moves: { ask: Record<string, never>; answer: readonly MoveCard[] };
  /** A move as it stands in a form, tried against the usual ones. */
  tryMove: { ask: { data: unknown }; answer: TrialView };
  callLabels: { ask: { text: string }; answer: readonly CallLabel[] };
  pads: { ask: { text: string }; answer: readonly PadLine[] };
  vary: {
    ask: { text: string };
    answer: { good: readonly VariationView[]; broken: readonly VariationView[]; partial: boolean };
  };
  ladder: { ask: { text: string; wishes: Partial<LadderOptions> }; answer: LadderView };
  flow: {
    ask: { text: string; moves: readonly string[]; counts: number; known: readonly string[] };
    answer: FlowView;
  };
  /** The plan of a class, paired as the school weighs it. */
  plan: { ask: Omit<PlanInput, "weights">; answer: ClassPlan };
  bridge: { ask: { text: string; other: string }; answer: BridgeView };
  answers: { ask: { text: string; feed: string }; answer: readonly AnswerView[] };
  feeds: { ask: { text: string }; answer: readonly FeedView[] };
  /** Blows that reach after an answer. */
  returns: { ask: { text: string; feed: string; answer: string }; answer: readonly FeedView[] };
  /** The line that lands, and the same drawn. */
  refute: { ask: { text: string }; answer: { found: Refutation; drawn: ScoreView | null } };
  close: { ask: { text: string }; answer: readonly Closing[] };
  format: { ask: { text: string }; answer: string };
  rearrange: { ask: { text: string; what: Rearrange }; answer: TextEdit | null };
  book: { ask: { choice: BookChoice }; answer: Book };
  /** All that the vocabulary throws and answers with. */
  wholeBook: { ask: Record<string, never>; answer: BookChoice };
  bookReason: { ask: { feed: string; answer: string; side: "left" | "right" }; answer: BookReason | null };
  bookDrill: { ask: { feed: string; answer: string | null; side: "left" | "right" }; answer: string };
  trained: { ask: { texts: readonly TrainedText[] }; answer: Trained };
  /** The same over the classes of a term, against the feeds of the school's book. */
  coverage: { ask: { texts: readonly TrainedText[]; feeds: readonly string[] }; answer: Coverage };
  compareTexts: { ask: { before: string; after: string }; answer: ReturnType<typeof compareTexts> };
  compareSchools: {
    ask: { drills: readonly DrillText[]; settings: unknown };
    answer: { errors: readonly string[]; changes: readonly VerdictChange[] };
  };
  readFile: { ask: { name: string; content: string }; answer: FileRead };
  writeJson: { ask: { text: string }; answer: string };
}
export type WorkKind = keyof Work;

export type Ask = {
  [K in WorkKind]: { id: number; kind: K; payload: Work[K]["ask"] };
}[WorkKind];
/** Takes an ask back: it is not begun, or ended where it runs. */
export interface Cancel {
  readonly cancel: number;
}
export interface Answer {
  readonly id: number;
  readonly payload: Work[WorkKind]["answer"] | null;
  /** Set when the work failed; the page says so in plain words. */
  readonly error: string | null;
  /** Set on the way: share done, 0 to 1. The answer itself comes later. */
  readonly progress?: number;
}
