/** The plan of an evening and what is called in it. */
import type { CallLabel } from "#core/calls/calls.ts";
import { callLabels } from "#core/calls/labels.ts";
import { planClass, type ClassPlan, type PlanInput } from "#core/class/plan.ts";
import { checkFor } from "#core/policy/judge.ts";
import type { Answers } from "./question.ts";

export interface ClassQuestions {
  /** The plan of a class, paired as the school weighs it. */
  plan: { ask: Omit<PlanInput, "weights">; answer: ClassPlan };
  callLabels: { ask: { text: string }; answer: readonly CallLabel[] };
}

export const classAnswers: Answers<ClassQuestions> = {
  plan: (input, { school }) => planClass({ ...input, weights: school.pairing }, school),
  callLabels: ({ text }, { reader, school }) => callLabels(checkFor(reader.read(text), school)),
};
