/** Pairs as screens show them: names, what they work on, and how it comes out for their two bodies. */
import type { Bodies } from "#core/drill/check.ts";
import { measuresOf } from "#core/people/measures.ts";
import type { PairRow } from "#db/classes.ts";
import { compute } from "../checks/pool.ts";
import type { PairVerdict } from "../checks/tasks.ts";
import type { KeyedSettings } from "../checks/school-cache.ts";
import type { PairView, PersonView } from "../views.ts";

/** The measures of two people for the checker; a height that was never taken leaves the drill's own. */
export const bodiesOf = (a: PersonView, b: PersonView): Bodies => ({ A: measuresOf(a), B: measuresOf(b) });

interface Seat {
  readonly actor: "A" | "B" | "C";
  readonly student: PersonView;
}

/** Who of a pair is still known, in the order in which they feed and answer. */
function seatsOf(pair: PairRow, byId: ReadonlyMap<string, PersonView>): readonly Seat[] {
  const ids = [
    ["A", pair.student_a],
    ["B", pair.student_b],
    ["C", pair.student_c],
  ] as const;
  return ids.flatMap(([actor, id]) => {
    const student = id ? byId.get(id) : undefined;
    return student ? [{ actor, student }] : [];
  });
}

export async function pairViews(
  pairs: readonly PairRow[],
  students: readonly PersonView[],
  settings: KeyedSettings,
): Promise<PairView[]> {
  const byId = new Map(students.map((s) => [s.id, s]));
  const seated = pairs.map((pair) => ({ pair, seats: seatsOf(pair, byId) })).filter(({ seats }) => seats.length > 1);
  const checks = seated.map(({ pair, seats }) => ({
    text: pair.text,
    bodies: bodiesOf(seats[0]!.student, seats[1]!.student),
  }));
  const verdicts = checks.length > 0 ? await compute("pairs", checks, settings) : [];
  return seated.map(({ pair, seats }, i) => viewOf(pair, seats, verdicts[i]!));
}

/** Notes shown for one pair. */
const MAX_NOTES = 2;

function viewOf(pair: PairRow, seats: readonly Seat[], { verdict, distance, notes, taps }: PairVerdict): PairView {
  const unmeasured = seats
    .filter(({ student }) => student.height_cm === null)
    .map(({ student }) => `The height of ${student.name} is not known: checked for 175 cm.`);
  return {
    id: pair.id,
    why: pair.why,
    drillId: pair.drill_id,
    revisionId: pair.revision_id,
    title: pair.drill_title,
    text: pair.text,
    names: seats.map(({ actor, student: { id, name, age, limits } }) => ({ actor, id, name, age, limits })),
    verdict,
    distance,
    taps,
    notes: [...unmeasured, ...notes].slice(0, MAX_NOTES),
  };
}
