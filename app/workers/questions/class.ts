/** The plan of an evening and what is called in it. */
import { drillCalls, type DrillCalls } from "#core/calls/labels.ts";
import { planClass, type ClassPlan, type PlanInput } from "#core/class/plan.ts";
import { checkFor } from "#core/policy/judge.ts";
import type { Answers } from "./question.ts";

export interface ClassQuestions {
  /** The plan of a class, paired as the school weighs it. */
  plan: { ask: Omit<PlanInput, "weights">; answer: ClassPlan };
  drillCalls: { ask: { text: string }; answer: DrillCalls };
}

export const classAnswers: Answers<ClassQuestions> = {
  plan: (input, { school }) => planClass({ ...input, weights: school.pairing }, school),
  drillCalls: ({ text }, { reader, school }) => drillCalls(checkFor(reader.read(text), school), school.vocabulary),
};
