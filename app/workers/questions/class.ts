/** The plan of an evening and what is called in it. */
import { drillCalls, type DrillCalls } from "#core/calls/labels.ts";
import { reactTime, type ReactTime } from "#core/floor/pads.ts";
import { planClass, type ClassPlan, type PlanInput } from "#core/class/plan.ts";
import { checkFor } from "#core/policy/judge.ts";
import type { Answers } from "./question.ts";

export interface ClassQuestions {
  /** The plan of a class, paired as the school weighs it. */
  plan: { ask: Omit<PlanInput, "weights">; answer: ClassPlan };
  drillCalls: { ask: { text: string }; answer: DrillCalls };
  /** How long somebody may take to react in a drill; null where nothing of it is a matter of time. */
  reactTime: { ask: { text: string }; answer: { readonly time: ReactTime | null; readonly tempo: number } };
}

export const classAnswers: Answers<ClassQuestions> = {
  plan: (input, { school }) => planClass({ ...input, weights: school.pairing }, school),
  drillCalls: ({ text }, { reader, school }) => drillCalls(checkFor(reader.read(text), school), school.vocabulary),
  reactTime: ({ text }, { reader, school }) => {
    const { exchanges, header } = checkFor(reader.read(text), school);
    return { time: reactTime(exchanges, header.tempo), tempo: header.tempo };
  },
};
