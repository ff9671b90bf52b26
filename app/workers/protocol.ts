/** Messages between screens and the check worker. A newer `docVersion` makes older answers worthless. */
import type { ScoreView } from "#core/formats/desk-view.ts";
import type { Refutation } from "#core/vary/refute.ts";
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

export interface AnswerView {
  readonly text: string;
  readonly group: string;
  readonly verdict: "valid" | "risky";
  readonly marginCm: number;
  readonly ceiling: number | null;
  readonly open: readonly string[];
}

export interface Work {
  check: { ask: { text: string }; answer: ScoreView };
  names: { ask: Record<string, never>; answer: readonly MoveName[] };
  vary: {
    ask: { text: string };
    answer: { good: readonly VariationView[]; broken: readonly VariationView[]; partial: boolean };
  };
  answers: { ask: { text: string; feed: string }; answer: readonly AnswerView[] };
  refute: { ask: { text: string }; answer: Refutation };
  format: { ask: { text: string }; answer: string };
}
export type WorkKind = keyof Work;

export type Ask = {
  [K in WorkKind]: { id: number; docVersion: number; schoolVersion: number; kind: K; payload: Work[K]["ask"] };
}[WorkKind];
export interface Answer {
  readonly id: number;
  readonly docVersion: number;
  readonly payload: Work[WorkKind]["answer"] | null;
  /** Set when the work failed; the page says so in plain words. */
  readonly error: string | null;
}
