/** Pairs as screens show them: names, what they work on, and how it comes out for their two bodies. */
import { checkFor } from "#core/policy/judge.ts";
import { type Bodies } from "#core/drill/check.ts";
import { measuresOf } from "#core/people/measures.ts";
import { parse } from "#core/score/parse.ts";
import type { School } from "#core/policy/school.ts";
import type { PairRow } from "#db/classes.ts";
import type { Student } from "#db/people.ts";

export interface PairView {
  readonly id: string;
  readonly names: readonly {
    readonly actor: "A" | "B" | "C";
    readonly id: string;
    readonly name: string;
    readonly minor: boolean;
    readonly limits: readonly string[];
  }[];
  readonly why: string;
  readonly drillId: string;
  readonly revisionId: string;
  readonly title: string;
  readonly text: string;
  readonly verdict: "sound" | "risky" | "broken";
  /** Distance of the two centres at the start, m. */
  readonly distance: number;
  /** What the checker says for these two that matters: errors first. */
  readonly notes: readonly string[];
}

/** The measures of two people for the checker; a height that was never taken leaves the drill's own. */
export const bodiesOf = (a: Student, b: Student): Bodies => ({ A: measuresOf(a), B: measuresOf(b) });

/** Notes shown for one pair. */
const MAX_NOTES = 2;

export function pairViews(pairs: readonly PairRow[], students: readonly Student[], school: School): PairView[] {
  const byId = new Map(students.map((s) => [s.id, s]));
  return pairs.flatMap((pair) => {
    const people = (
      [
        ["A", pair.student_a],
        ["B", pair.student_b],
        ["C", pair.student_c],
      ] as const
    ).flatMap(([actor, id]) => {
      const s = id ? byId.get(id) : undefined;
      return s ? [{ actor, student: s }] : [];
    });
    const [one, two] = people;
    if (!one || !two) return [];
    const checked = checkFor(parse(pair.text), school, bodiesOf(one.student, two.student));
    const worst = checked.findings
      .filter((f) => f.severity !== "note")
      .sort((a, b) => Number(b.severity === "error") - Number(a.severity === "error"));
    const unmeasured = people
      .filter((p) => p.student.height_cm === null)
      .map((p) => `The height of ${p.student.name} is not known: checked for 175 cm.`);
    return [
      {
        id: pair.id,
        why: pair.why,
        drillId: pair.drill_id,
        revisionId: pair.revision_id,
        title: pair.drill_title,
        text: pair.text,
        names: people.map(({ actor, student }) => ({
          actor,
          id: student.id,
          name: student.name,
          minor: student.minor,
          limits: student.limits,
        })),
        verdict: checked.verdict,
        distance: Math.round(checked.distance * 100) / 100,
        notes: [...unmeasured, ...worst.map((f) => f.message)].slice(0, MAX_NOTES),
      },
    ];
  });
}
