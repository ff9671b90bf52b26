/** The rounds to come planned again while a class is running: somebody is hurt, comes late, or changes place. What was run stays. */
import { setPresence } from "#db/attendance.ts";
import { swapped } from "#core/class/swap.ts";
import { getPlan, type KeptPlan } from "#db/classes.ts";
import { recordClass, swapNow } from "#db/floor.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { askBeforeIn, type Asks } from "../classes/head-blows.ts";
import { keepPlan } from "../classes/keep-plan.ts";
import { planPage } from "../classes/plan-page.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { schoolOf } from "../school/school-of.ts";

type Locked = KeptPlan["locked"];
type Planned = KeptPlan["plan"]["rounds"];

/** The pairs of a round as they stand. */
const heldAs = (round: number, pairs: Planned[number]["pairs"]): Locked =>
  pairs.map(({ a, b, c }) => ({ round, a, b, c }));

/** Tries so often where somebody else changes the class in the same moment. */
const TRIES = 5;

/**
 * Plans the rounds to come for whoever is here now; what was run or is under way stays. `held`: pairs that were put
 * together for a round. Locks with somebody who is not here any more are dropped: nobody is held by a lock.
 */
export async function planAgain(
  scope: Scope,
  classId: string,
  held: (rounds: Planned) => Locked = () => [],
): Promise<Refusal | null> {
  for (let i = 1; ; i++) {
    const page = await planPage(scope, classId, { ladder: null, drill: null });
    if (!page?.kept) return null;
    const { kept, chosen, lesson, started } = page;
    const { clock, locked, lines = null, begin = 0, steps = [], plan } = kept;
    const own = held(plan.rounds);
    const { ladder, drill, second } = chosen;
    const here = (round: number) =>
      new Set(
        page.people.filter(({ from, until }) => from <= round && (until === null || round < until)).map(({ id }) => id),
      );
    const decided = {
      ...{ ladder, drill, second, clock, lines, begin, steps, version: lesson.version, blocks: plan.blocks },
      locked: [...locked.filter(({ round }) => !own.some((one) => one.round === round)), ...own].filter(
        ({ round, a, b, c }) => round >= started && [a, b, c].every((id) => id === null || here(round).has(id)),
      ),
    };
    const saved = await keepPlan(scope, classId, JSON.stringify(decided));
    if (saved.kind === "saved") return null;
    if (i >= TRIES) return saved;
  }
}

/** Somebody who comes now is in from the next round on, unless a blow to the head keeps them out or is to be asked about. */
export async function withLateComer(
  scope: Scope,
  classId: string,
  student: string,
  asked: "sure" | "not asked" = "not asked",
): Promise<Refusal | Asks | null> {
  const barred = await askBeforeIn(scope, classId, [student], asked);
  if (barred) return barred;
  const from = await recordClass(scope, classId, Date.now());
  await setPresence(db, scope, classId, { student_id: student, from_round: from, until_round: null });
  return planAgain(scope, classId);
}

const OVER = "This round is over: its pairs stay in the log as they were.";

/** Two people take each other's place in a round that is under way or comes; everybody else of it stays. */
export async function withSwap(
  scope: Scope,
  classId: string,
  { round, one, two }: { readonly round: number; readonly one: string; readonly two: string },
  asked: "sure" | "not asked" = "not asked",
): Promise<Refusal | Asks | null> {
  const barred = await askBeforeIn(scope, classId, [one, two], asked);
  if (barred) return barred;
  const started = await recordClass(scope, classId, Date.now());
  const kept = await getPlan(db, scope, classId);
  const pairs = kept?.plan.rounds[round]?.pairs ?? [];
  if (!kept || round < started - 1) return refused(OVER);
  const place = (who: string) => pairs.findIndex(({ a, b, c }) => a === who || b === who || c === who);
  if (place(one) < 0 || place(two) < 0) return refused("One of them is not in this round any more. Look again.");
  if (place(one) === place(two)) return refused("They work together already: choose two of different pairs.");
  // The same rules as for all pairs: what they forbid no hand puts together.
  const page = await planPage(scope, classId, { ladder: null, drill: null });
  const rounds = page?.kept?.plan.rounds[round];
  if (!page || !rounds) return refused(OVER);
  const made = swapped(rounds, [one, two], page, await schoolOf(scope));
  if (typeof made === "string") return refused(made);
  if (round < started) {
    // The plan is kept by its own places of rungs.
    const placed = made.map((pair, i) => ({
      ...pair,
      rung: pairs[i]!.rung,
      ...(pairs[i]!.back === undefined ? {} : { back: pairs[i]!.back }),
    }));
    return (await swapNow(scope, classId, { round, one, two, pairs: placed })) ? null : refused(OVER);
  }
  const put = (who: string) => (who === one ? two : who === two ? one : who);
  return planAgain(scope, classId, (rounds) =>
    heldAs(
      round,
      rounds[round]!.pairs.map((pair) => ({ ...pair, a: put(pair.a), b: put(pair.b), c: pair.c && put(pair.c) })),
    ),
  );
}
