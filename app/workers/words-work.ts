/** What the Words place asks of the worker: moves as cards, what a move does among the others. */
import { factsFor, tryMove, type Trial } from "#core/formats/trial.ts";
import { readSchool, type School } from "#core/policy/school.ts";
import type { SchoolData } from "#core/policy/settings.ts";
import type { Fact } from "#core/words/facts.ts";
import { readMoves } from "#core/words/schema.ts";
import { shownName } from "#core/words/shown.ts";
import type { MoveData } from "#core/words/types.ts";

export interface MoveCard {
  readonly id: string;
  /** In the words of the tradition that the school shows. */
  readonly shown: string;
  readonly data: MoveData;
  readonly own: boolean;
}
export type TrialView =
  | { readonly ok: true; readonly facts: readonly Fact[]; readonly trial: Trial }
  | { readonly ok: false; readonly errors: readonly string[] };

export function moveCards(school: School): MoveCard[] {
  const { vocabulary, customs } = school;
  return [...vocabulary.moves.values()].map((move) => {
    const data = Object.fromEntries(
      Object.entries(move).filter(([key]) => key !== "name" && key !== "own"),
    ) as unknown as MoveData;
    return { id: move.id, shown: shownName(move, customs.names, vocabulary), data, own: move.own };
  });
}

/** Tries a move as it stands in a form, beside the school's other settings. */
export function tryData(data: unknown, settings: SchoolData): TrialView {
  const read = readMoves("move", { moves: [data as object] });
  if (!read.ok) return { ok: false, errors: read.errors.map((e) => e.replace(/^move: [^:]*: /, "")) };
  const [move] = read.moves;
  const others = (settings.moves ?? []).filter((m) => m.id !== move!.id);
  const result = readSchool({ ...settings, moves: [...others, move] });
  if (!result.ok) return { ok: false, errors: result.errors };
  const { school } = result;
  const found = [...school.vocabulary.moves.values()].find((m) => m.id === move!.id)!;
  return { ok: true, facts: factsFor(found, school), trial: tryMove(found, school) };
}
