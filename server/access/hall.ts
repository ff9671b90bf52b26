/** Limits, measures and health notes are for those who need them: others are sent none. */
import { NOTHING_FROZEN } from "#core/class/frozen.ts";
import { WAITS } from "#core/class/waits.ts";
import type { Scope } from "#db/scope.ts";
import type { PairView, PersonView, PlanPage } from "../views.ts";

/** Whoever pairs people needs their measures and all that was agreed. */
export const teaches = ({ role }: Scope): boolean => role === "owner" || role === "instructor";

const UNMEASURED = { height_cm: null, reach_cm: null, mass_kg: null } as const;

type Kept = NonNullable<PlanPage["kept"]>;
type Pair = Kept["plan"]["rounds"][number]["pairs"][number];

const withRounds = (kept: Kept, change: (pair: Pair) => Pair, alone: (why: string) => string): Kept => ({
  ...kept,
  plan: {
    ...kept.plan,
    rounds: kept.plan.rounds.map((round) => ({
      ...round,
      pairs: round.pairs.map(change),
      alone: round.alone.map(({ id, why }) => ({ id, why: alone(why) })),
    })),
  },
});

/** A plan without what it was reckoned with: measures, wishes and what the log says of people. */
const withoutReckoning = (page: PlanPage): PlanPage => ({
  ...page,
  people: page.people.map((one) => ({ ...one, ...UNMEASURED, learned: null })),
  // Why two are together says of their heights, weights and ages.
  kept:
    page.kept &&
    withRounds(
      page.kept,
      (pair) => ({ ...pair, why: [] }),
      (why) => why,
    ),
  frozen: NOTHING_FROZEN,
  wishes: [],
  met: {},
});

/** What everybody may read beside a name: that they wait, and nothing of why. */
const onTheWall = (why: string): string => (why === WAITS ? WAITS : "with the instructor");

/** For a wall or a bench, which everybody sees: no limits either, and no word of them. */
export function forTheHall(page: PlanPage): PlanPage {
  const shown = withoutReckoning(page);
  return {
    ...shown,
    people: shown.people.map((one) => ({ ...one, limits: [] })),
    kept:
      shown.kept &&
      withRounds(
        { ...shown.kept, plan: { ...shown.kept.plan, notes: [] } },
        (pair) => ({ ...pair, notes: [] }),
        onTheWall,
      ),
  };
}

/** A running class: on an instructor's device limits stand beside the names, on every other none does. */
export const forTheFloor = (scope: Scope, page: PlanPage): PlanPage =>
  teaches(scope) ? withoutReckoning(page) : forTheHall(page);

/** A plan on paper. Whoever helps has the limits of those who are here, since they hold pads for them. */
export const planFor = (scope: Scope, page: PlanPage): PlanPage => (teaches(scope) ? page : withoutReckoning(page));

/** Pairs without why they are together. */
export const pairsFor = (scope: Scope, pairs: readonly PairView[]): readonly PairView[] =>
  teaches(scope) ? pairs : pairs.map((pair) => ({ ...pair, why: "" }));

/** People to tick: whoever helps sees limits of those who are here, and nobody's measures. */
export const peopleFor = <Person extends PersonView>(
  scope: Scope,
  people: readonly Person[],
  here: readonly string[],
): readonly Person[] =>
  teaches(scope)
    ? people
    : people.map((one) => ({
        ...one,
        ...UNMEASURED,
        limits: here.includes(one.id) ? one.limits : [],
        limits_until: null,
        agreed: "",
      }));
