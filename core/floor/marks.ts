/** What was seen of a pair in a round: of who answers, and of who feeds. Nothing seen is not clean, it is unknown. */
import data from "./marks.json" with { type: "json" };

interface MarkWord {
  readonly id: string;
  readonly word: string;
  readonly good: boolean;
}
/** The roles in which somebody is marked. */
export const MARK_ROLES = ["answers", "feeds"] as const;
/** A role in which somebody is marked. */
export type MarkRole = (typeof MARK_ROLES)[number];
/** The marks of each role. */
export const MARKS: Readonly<Record<MarkRole, readonly MarkWord[]>> = { answers: data.answers, feeds: data.feeds };

/** Somebody looked and saw nothing amiss: they were in the room. It says less than clean, and is never counted as it. */
export const FINE = "fine";

/** A fault of what is trained, in its own words, beside the marks of the list. */
export const FAULT = "fault";

/** A mark of a person in a round. */
export interface Mark {
  readonly id: string;
  /** Place among the rounds of the evening, from 0. */
  readonly round: number;
  readonly person: string;
  readonly role: MarkRole;
  /** An id of `MARKS`, or `FAULT`. */
  readonly mark: string;
  /** The words of a fault; empty otherwise. */
  readonly text: string;
  /** The mark that this one puts right; null: none. */
  readonly corrects: string | null;
  /** ms of the server's clock. */
  readonly at: number;
}

/** Returns a mark in words. */
export const markWord = ({ role, mark, text }: Pick<Mark, "role" | "mark" | "text">): string =>
  mark === FAULT
    ? text
    : mark === FINE
      ? "nothing seen amiss"
      : (MARKS[role].find(({ id }) => id === mark)?.word ?? mark);

/** Marks as they stand: what was put right is gone, and so is what was taken out (a correction without a mark). */
export function standing(marks: readonly Mark[]): Mark[] {
  const corrected = new Set(marks.flatMap(({ corrects }) => corrects ?? []));
  return marks.filter(({ id, mark }) => !corrected.has(id) && mark !== TAKEN_OUT);
}
/** A correction that says: it was not so. */
export const TAKEN_OUT = "none";

/** A round with a bad feed says nothing about who answers in it. */
export function countsFor(marks: readonly Mark[], round: number, pair: readonly string[]): boolean {
  return !standing(marks).some((one) => one.round === round && one.role === "feeds" && pair.includes(one.person));
}

/** Pairs in the order in which they want looking at: those who were not seen longest first. */
export function unseenFirst<P extends { readonly a: string; readonly b: string; readonly c: string | null }>(
  pairs: readonly P[],
  marks: readonly Mark[],
): P[] {
  const last = new Map<string, number>();
  for (const { person, at } of standing(marks)) last.set(person, Math.max(last.get(person) ?? 0, at));
  const seen = ({ a, b, c }: P) => Math.max(...[a, b, c].map((id) => (id ? (last.get(id) ?? 0) : 0)));
  return [...pairs].sort((one, two) => seen(one) - seen(two));
}
