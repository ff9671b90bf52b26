/** What the moves of the school are called and what each does. */
import { lookUp } from "#core/plain/look-up.ts";
import type { Role } from "#core/words/types.ts";
import { moveCards, tryData, type MoveCard, type TrialView } from "../words-work.ts";
import type { Answers, Desk } from "./question.ts";

export interface MoveName {
  readonly name: string;
  readonly group: string;
  readonly hint: string;
  readonly roles: readonly Role[];
  /** What it must be held or worn for; null: nothing of the kind. */
  readonly needs: "stick" | "blade" | "weapon" | "two sticks" | "empty" | "pad" | null;
}

export interface WordsQuestions {
  names: { ask: Record<string, never>; answer: readonly MoveName[] };
  moves: { ask: Record<string, never>; answer: readonly MoveCard[] };
  /** Looks words up that no name holds: moves by id, best first, or the words to write instead. */
  lookUp: { ask: { typed: string }; answer: { readonly ids: readonly string[]; readonly instead: string | null } };
  /** A move as it stands in a form, tried against the usual ones. */
  tryMove: { ask: { data: unknown }; answer: TrialView };
}

/** Moves that are shown for words that no name holds. */
const MOST_MEANT = 6;

export const wordsAnswers: Answers<WordsQuestions> = {
  names: (_, desk) => names(desk),
  moves: (_, { school }) => moveCards(school),
  lookUp: ({ typed }, { school }) => {
    const { moves, instead } = lookUp(school.vocabulary, typed, MOST_MEANT);
    return { ids: moves.map(({ move }) => move.id), instead };
  },
  tryMove: ({ data }, { settings }) => tryData(data, settings),
};

const names = ({ school }: Desk): MoveName[] =>
  [...school.vocabulary.moves.values()].flatMap((move) =>
    Object.entries(move.names).flatMap(([tradition, all]) =>
      (all ?? []).map((name) => ({
        name,
        group: move.group,
        roles: move.roles,
        needs: move.needs ?? null,
        hint: name === move.name ? (move.coaching[0] ?? "") : `${move.name} (${tradition})`,
      })),
    ),
  );
