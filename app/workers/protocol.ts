/** Messages between screens and the check worker. The questions stand in `questions/`, one file a room. */
import type { AnswerQuestions } from "./questions/answers.ts";
import type { CheckingQuestions } from "./questions/checking.ts";
import type { ClassQuestions } from "./questions/class.ts";
import type { FileQuestions } from "./questions/files.ts";
import type { LadderQuestions } from "./questions/ladder.ts";
import type { WordsQuestions } from "./questions/words.ts";

export interface Work
  extends AnswerQuestions, CheckingQuestions, ClassQuestions, FileQuestions, LadderQuestions, WordsQuestions {
  /** The school's settings, which everything after is checked with; gives what is wrong with them. */
  school: { ask: { settings: unknown }; answer: readonly string[] };
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
