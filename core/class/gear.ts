/** What a drill needs of the school's gear, and what to do where there is less. */
import data from "./gear.json" with { type: "json" };
import { clockText } from "./timetable.ts";
import { allDone } from "../drill/done.ts";
import type { Checked } from "../drill/types.ts";

interface GearKind {
  readonly id: string;
  readonly label: string;
  /** How a pair calls theirs. */
  readonly one?: string;
  /** How the same is done while others have it. */
  readonly without?: string;
}
/** The kinds of gear that a school counts. */
export const GEAR_KINDS: readonly GearKind[] = data.kinds;
/** Returns a kind of gear in words. */
export const gearLabel = (id: string): string => GEAR_KINDS.find((g) => g.id === id)?.label ?? id;
/** How many pieces of each kind there are. */
export type GearCount = Readonly<Record<string, number>>;

const PERSONAL = new Set(data.personal);

/** What one pair needs of the school's gear; what everybody brings themselves is left out. */
export function gearFor(checked: Checked): GearCount {
  const { header } = checked;
  const need: Record<string, number> = {};
  const take = (kind: string, count: number) => (need[kind] = (need[kind] ?? 0) + count);
  for (const actor of header.actors) {
    const { holds, wears } = header.people[actor];
    if (holds) take(holds.kind, holds.count);
    for (const worn of wears) if (!PERSONAL.has(worn)) take(worn, 1);
  }
  if (header.mats || allDone(checked).some((e) => e.blow?.path === "shoot")) take("mats", data.floor.mats);
  return need;
}

/** Floor that a pair takes with these tools, square metres. */
export const floorFor = ({ header }: Checked): number =>
  header.actors.some((actor) => header.people[actor].holds) ? data.floor.weapon : data.floor.empty;

interface GearShortage {
  readonly kind: string;
  readonly need: number;
  readonly there: number;
  /** In how many waves the pairs work; those who wait do their part alone. */
  readonly waves: number;
}

/** What is short when all of these pairs work at once; `there`: what the school owns. */
export function shortages(pairs: readonly GearCount[], there: GearCount): GearShortage[] {
  const need: Record<string, number> = {};
  let most: Record<string, number> = {};
  for (const pair of pairs)
    for (const [kind, count] of Object.entries(pair)) {
      need[kind] = (need[kind] ?? 0) + count;
      most = { ...most, [kind]: Math.max(most[kind] ?? 0, count) };
    }
  return Object.entries(need)
    .filter(([kind, count]) => count > (there[kind] ?? 0))
    .map(([kind, count]) => {
      const own = there[kind] ?? 0;
      // A pair works with all it needs or not at all: whole pairs fit into what is there.
      const fit = Math.floor(own / most[kind]!) * most[kind]!;
      return { kind, need: count, there: own, waves: fit === 0 ? 0 : Math.ceil(count / fit) };
    });
}

/** A shortage as it is said to the instructor. */
export const shortageText = ({ kind, need, there, waves }: GearShortage): string =>
  waves === 0
    ? `${gearLabel(kind)}: ${need} needed, ${there} there. Take another rung, or bring more.`
    : `${gearLabel(kind)}: ${need} needed, ${there} there. They go round in ${waves} turns; when is said with each pair.`;

/**
 * What each pair is told where there is less gear than all need at once: when they have it, and how they do the same
 * until then. `seconds`: of the round; `first`: the place of the pair that has it first, so that it goes round from
 * one round to the next. Nothing for what is not there at all: that is said to the instructor.
 */
export function gearTurns(
  pairs: readonly GearCount[],
  there: GearCount,
  { seconds, first }: { readonly seconds: number; readonly first: number },
): string[][] {
  const notes: string[][] = pairs.map(() => []);
  for (const { kind, waves } of shortages(pairs, there)) {
    const { one, without } = GEAR_KINDS.find(({ id }) => id === kind) ?? {};
    const needing = [...pairs.keys()].filter((i) => (pairs[i]![kind] ?? 0) > 0);
    if (waves === 0 || !one || !without) continue;
    const each = seconds / waves;
    const perTurn = Math.ceil(needing.length / waves);
    for (const [place, i] of needing.entries()) {
      const turn = Math.floor(((place + first) % needing.length) / perTurn);
      notes[i]!.push(
        `You have ${one} from ${clockText(turn * each)} to ${clockText((turn + 1) * each)}; else the same ${without}.`,
      );
    }
  }
  return notes;
}
