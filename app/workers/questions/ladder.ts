/** Variations, ladders, cycles and ways from drill to drill. */
import type { ScoreView } from "#core/formats/desk-view.ts";
import type { Coaching } from "#core/ladder/coaching.ts";
import type { LadderOptions } from "#core/ladder/ladder-options.ts";
import { checkFor } from "#core/policy/judge.ts";
import { parse } from "#core/score/parse.ts";
import type { OperatorId } from "#core/vary/operator-names.ts";
import { vary } from "#core/vary/vary.ts";
import { bridgeWork, flowWork, ladderWork, variationView } from "../ladder-work.ts";
import type { Answers } from "./question.ts";

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
  /** What an instructor says with it. */
  readonly coaching: Coaching;
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

export interface LadderQuestions {
  vary: {
    ask: { text: string };
    answer: { good: readonly VariationView[]; broken: readonly VariationView[]; partial: boolean };
  };
  ladder: { ask: { text: string; wishes: Partial<LadderOptions> }; answer: LadderView };
  flow: {
    ask: { text: string; moves: readonly string[]; counts: number; known: readonly string[] };
    answer: FlowView;
  };
  bridge: { ask: { text: string; other: string }; answer: BridgeView };
}

export const ladderAnswers: Answers<LadderQuestions> = {
  vary: ({ text }, { reader, school }) => {
    const base = checkFor(reader.read(text), school);
    const { good, broken } = vary(base, school);
    return { good: good.map(variationView), broken: broken.map(variationView), partial: base.verdict === "broken" };
  },
  ladder: ({ text, wishes }, { reader, school }) => ladderWork(checkFor(reader.read(text), school), school, wishes),
  flow: (ask, { reader, school }) => flowWork(checkFor(reader.read(ask.text), school), school, ask),
  bridge: ({ text, other }, { school }) =>
    bridgeWork(checkFor(parse(text), school), checkFor(parse(other), school), school),
};
