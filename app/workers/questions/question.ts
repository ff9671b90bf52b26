/** How a question of a screen is answered in the worker. */
import type { School } from "#core/policy/school.ts";
import type { SchoolData } from "#core/policy/settings.ts";
import type { ScoreReader } from "#core/score/parse.ts";

/** A question: what is asked, what comes back. */
export interface Question {
  readonly ask: unknown;
  readonly answer: unknown;
}

/** What every question is answered with. */
export interface Desk {
  readonly school: School;
  readonly settings: SchoolData;
  /** Reads again only what changed since the last text. */
  readonly reader: ScoreReader;
}

/** Long work gives the share done now and then, and can be taken back. */
export type LongAnswer<Answer> = Generator<number, Answer>;

/** One file of questions as a table: a question that is not answered does not compile. */
export type Answers<Questions> = {
  readonly [K in keyof Questions]: Questions[K] extends { readonly ask: infer Ask; readonly answer: infer Answer }
    ? (ask: Ask, desk: Desk) => Answer | LongAnswer<Answer>
    : never;
};
