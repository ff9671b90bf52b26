/** Does a cycle close? The end of one pass against the end of the next, item by item. */
import { ACTORS, type Actor } from "../score/types.ts";
import { cycleVersion } from "../words/cycles.ts";
import { displacements } from "../exchange/move-body.ts";
import type { MoveUse } from "../read/types.ts";
import { distanceOf, EMPTY_HANDS, withEach, withState, type BodyState, type Hold, type World } from "../body/state.ts";

/** Differences smaller than this are no difference, m. */
const SAME_PLACE = 0.05;
/** Where steps go out and in again feet correct so much unasked, m. Common practice, no source. */
const CORRECTED = 0.15;

const OTHER: Readonly<Record<Actor, Actor>> = { A: "B", B: "A", C: "C" };

/**
 * Returns a world in which A stands where B stood and the reverse, each with the grip that they had of the other: who
 * pressed a hand down comes with a hand of their own now, and the one that was pressed is free.
 */
export function rolesExchanged(world: World): World {
  const { A, B } = world;
  if (!A || !B) return world;
  const renamed = (hold: Hold | null) => (hold && hold.kind !== "pin" ? { ...hold, of: OTHER[hold.of] } : null);
  const as = (state: BodyState, actor: Actor) => {
    const holds = { left: renamed(state.holds.left), right: renamed(state.holds.right) };
    return withState(state, state.holds === EMPTY_HANDS ? { actor } : { actor, holds });
  };
  return { ...world, A: as(B, "A"), B: as(A, "B") };
}

/** Everybody stands with the foot in front, and holds with the hand, that they have in another state. */
export function standingAs(world: World, other: World): World {
  return withEach(world, (state) => {
    const like = other[state.actor];
    return like ? withState(state, { lead: like.lead, weaponSide: like.weaponSide }) : state;
  });
}

/** Where a contact cycle that goes on from pass to pass stops half way after so many passes. */
interface HalfWay {
  readonly times: number;
  readonly count: number;
  readonly counts: number;
  /** How many passes would bring it to its end. */
  readonly better: number;
}

/** Where a contact cycle stops, by the state after its first pass; null where it comes to its end. */
export function stopsHalfWay(first: World, times: number): HalfWay | null {
  const cycle = first.A?.cycle ?? null;
  const counts = cycle ? (cycleVersion(cycle.id, cycle.version)?.counts.length ?? 1) : 1;
  const ends = (passes: number) => ((cycle?.count ?? 0) * passes) % counts;
  if (ends(times) === 0) return null;
  let better = times;
  while (ends(better) !== 0) better++;
  return { times, count: ends(times), counts, better };
}

/** What differs between two ends, in words. */
export const differences = (first: World, second: World, spare: number = SAME_PLACE): string[] => [
  ...bodyDifferences(first, second),
  ...holdDifferences(first, second),
  ...distanceDifference(first, second, spare),
];

/** Returns how far apart the ends of two passes may be, m, by what was done in one: steps out and in leave a little. */
export function spareOf(uses: readonly MoveUse[]): number {
  const feet = uses.flatMap((use) => displacements(use).flatMap((m) => (m.feet ? [{ use, feet: m.feet }] : [])));
  const out = feet.some(
    ({ use, feet: { back, asFar } }) => use.way !== "in" && (asFar !== undefined || (back ?? 0) > 0),
  );
  const into = feet.some(({ use, feet: { forward } }) => use.way !== "back" && use.way !== "out" && (forward ?? 0) > 0);
  return out && into ? CORRECTED : SAME_PLACE;
}

/** What differs in the people themselves, wherever they stand. */
export const bodyDifferences = (first: World, second: World): string[] => ofEach(first, second, stateDifferences);

/** What differs in who holds what; after a change of roles that goes by the role. */
export const holdDifferences = (first: World, second: World): string[] =>
  ofEach(first, second, (one, two, name) =>
    (["left", "right"] as const).flatMap((side) => {
      const [a, b] = [one.holds[side], two.holds[side]];
      if ((a?.kind ?? null) === (b?.kind ?? null)) return [];
      return [`the ${side} hand of ${name} ${b ? `still holds a ${b.limb}` : "has let go"}`];
    }),
  );

const ofEach = (
  first: World,
  second: World,
  compare: (one: BodyState, two: BodyState, name: Actor) => string[],
): string[] =>
  ACTORS.flatMap((actor) => {
    const [one, two] = [first[actor], second[actor]];
    return one && two ? compare(one, two, actor) : [];
  });

/** Returns in words how the distance differs after a pass, if by more than `spare` m. */
export function distanceDifference(first: World, second: World, spare: number): string[] {
  const found: string[] = [];
  if (first.A && first.B && second.A && second.B) {
    const change = distanceOf(second.A, second.B) - distanceOf(first.A, first.B);
    if (Math.abs(change) > spare)
      found.push(
        `the distance is ${Math.abs(Math.round(change * 100))} cm ${change < 0 ? "less" : "more"} after each pass`,
      );
  }
  return found;
}

function stateDifferences(one: BodyState, two: BodyState, name: Actor): string[] {
  const found: string[] = [];
  if (one.lead !== two.lead) found.push(`${name} stands with the other foot in front`);
  if (one.body.person.holds && one.weaponSide !== two.weaponSide)
    found.push(`${name} has the weapon in the other hand`);
  if (one.unrecovered !== two.unrecovered)
    found.push(`${name} is ${two.unrecovered ?? "back up"} after the second pass`);
  if (one.chamber !== two.chamber && one.body.person.holds)
    found.push(`${name} has the weapon chambered on another side`);
  const head = Math.hypot(one.posture.head.u - two.posture.head.u, one.posture.head.w - two.posture.head.w);
  if (head > SAME_PLACE) found.push(`the head of ${name} is in another place`);
  if (Math.abs(one.yielded - two.yielded) > 0.01) found.push(`${name} has less room to yield after each pass`);
  return found;
}
