/** What stands on the cards of an evening: each pair's own drill, and the calls of the blocks in which somebody chooses. */
import { CALL_DEFAULTS, callRound, callsWithin, type CallItem, type CallLabel } from "#core/calls/calls.ts";
import type { Bodies } from "#core/drill/check.ts";
import type { ClassPlan, PlannedPair, PlannedRound } from "#core/class/plan.ts";
import { clockText, type Clock } from "#core/class/timetable.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { measuresOf } from "#core/people/measures.ts";
import type { PlanPage } from "#server/views.ts";
import type { RungWords } from "#core/class/rung-words.ts";
import { scoreStaves } from "../drawing/score-layout.ts";
import type { SmallCard } from "../paper/small-cards.ts";
import { membersOf } from "./members.ts";

type Plan = ClassPlan & { readonly ok: true };

/** Rounds that are still to be run, as places in the plan; all where none is left. */
export const roundsAhead = ({ rounds }: Plan): number[] => {
  const ahead = rounds.flatMap((r, i) => (r.done ? [] : [i]));
  return ahead.length > 0 ? ahead : [...rounds.keys()];
};

/** The measures with which a pair's drill is drawn. */
export function bodiesOf({ a, b, c }: PlannedPair, people: PlanPage["people"]): Bodies {
  const of = (id: string | null) => {
    const person = people.find((p) => p.id === id);
    return person ? measuresOf(person) : {};
  };
  return { A: of(a), B: of(b), ...(c ? { C: of(c) } : {}) };
}

const placeOf = (plan: Plan, round: PlannedRound, index: number): string =>
  `Round ${index + 1} of ${plan.rounds.length}: ${plan.blocks.find((b) => b.id === round.block)?.title ?? ""}`;

/** Who holds and wears what, as one line; nothing where nobody needs anything. */
function gearOf(text: string): string[] {
  const needs = [...text.matchAll(/^\s*([ABC])\s*:(.*)$/gim)].flatMap(([, actor, words]) => {
    const gear = words!
      .split(",")
      .map((w) => w.trim())
      // What is worn goes on over commas: `wears mitts, mouthguard`.
      .filter((w) => w !== "" && !/^(lead|height|reach|mass|minor)\b|handed$/i.test(w));
    return gear.length > 0 ? [`${actor!.toUpperCase()} ${gear.join(", ")}`] : [];
  });
  return needs.length > 0 ? [`${needs.join("; ")}.`] : [];
}

interface PairCardInput {
  readonly plan: Plan;
  /** Place of the round in the plan. */
  readonly round: number;
  readonly pair: PlannedPair;
  readonly rung:
    { readonly title: string; readonly text: string; readonly people: 2 | 3; readonly pads: boolean } | undefined;
  readonly words: RungWords | undefined;
  readonly clock: Clock;
  readonly view: ScoreView;
  /** What A answers while B feeds, where that is another rung. */
  readonly back?: { readonly title: string; readonly view: ScoreView } | null;
  readonly nameOf: (id: string) => string;
}

export function pairCard({
  plan,
  round,
  pair,
  rung,
  words,
  clock,
  view,
  back = null,
  nameOf,
}: PairCardInput): SmallCard {
  const at = plan.rounds[round]!;
  return {
    // Blanks that do not break keep a name together.
    title: membersOf(pair)
      .map(({ actor, id }) => `${actor} ${nameOf(id)}`.replaceAll(" ", "\u00a0"))
      .join("\u00a0\u00a0 "),
    place: placeOf(plan, at, round),
    facts: [
      ...(back
        ? [
            `B answers on rung ${pair.rung + 1}: ${rung?.title ?? ""}`,
            `A answers on rung ${pair.back! + 1}: ${back.title}`,
          ]
        : [`Your rung: ${pair.rung + 1}. ${rung?.title ?? ""}`]),
      `${at.side === "left" ? "Left" : "Right"} lead in front. ${view.kind === "solo" ? "Each alone, side by side" : distanceLine(pair, view)}, ${Math.round(view.tempo * 100)}% of full speed.${view.kind === "solo" ? "" : ` ${rolesLine(at, pair, clock)}`}`,
      ...(pair.form ? ["Without contact: every blow stopped short of the partner."] : []),
      ...gearOf(rung?.text ?? ""),
      ...(pair.c && rung?.people === 2 && !rung.pads && view.kind !== "solo"
        ? ["C takes over from who has fed at each change."]
        : []),
      ...pair.notes.map((note) => `! ${note}`),
      ...(words ? saidOf(words) : []),
    ],
    staves: [...scoreStaves(view), ...(back ? scoreStaves(back.view) : [])],
    words: [],
    taps: view.taps || (back?.view.taps ?? false),
  };
}

/** As the two measure it, and in metres for who has a tape. */
const distanceLine = ({ apart }: PlannedPair, { distance }: ScoreView): string =>
  apart
    ? `${apart.charAt(0).toUpperCase()}${apart.slice(1)} (${distance.toFixed(2)} m)`
    : `${distance.toFixed(2)} m apart`;

/** A drill of so few rows is said in words above its drawing. */
const FEW_ROWS = 3;

/** What is done, the cues, what to watch and when to go on. */
const saidOf = ({ play, cues, fault, goOn }: RungWords): string[] => [
  ...(play.length <= FEW_ROWS ? [play.map(({ text }) => text).join(" ")] : []),
  [...cues, ...(fault ? [`Watch: ${fault}`] : []), goOn].join(" "),
];

/** Who begins, and when roles change: with pads not before the next round. */
function rolesLine({ change }: PlannedRound, { c }: PlannedPair, clock: Clock): string {
  const every = change ?? clock.change;
  if (every < clock.round) return `A feeds first; roles change every ${every} s.`;
  return c
    ? `Each holds for a third of the round: change at ${clockText(clock.round / 3)} and ${clockText((2 * clock.round) / 3)}. The two others hit in turn.`
    : "A holds for the whole round; in the next one you change roles.";
}

const words = ({ at, kind, label }: CallItem): string =>
  `${clockText(at)}\u00a0\u00a0${kind === "switch" ? `— ${label.toLowerCase()}` : kind === "feint" ? `(feint ${label})` : label}`;

/** Rungs whose rows are chosen by somebody while they are worked on. */
export const isCalled = (text: string): boolean => /^\s*choose\s/im.test(text);

/** Another order for each round of each class, and the same one each time it is printed. */
export const seedOf = (classId: string, round: number): number =>
  [...classId].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_003, round + 1) + 1;

/**
 * The calls of one round: as many as its minutes hold, null where fewer than two things can be called.
 */
export function callCard(
  plan: Plan,
  round: number,
  { exchanges }: Pick<ScoreView, "exchanges">,
  clock: Clock,
  seed: number,
): SmallCard | null {
  // What is called by a name may be several feeds in a row.
  const fed = new Map<string, string[]>();
  for (const { label, feed } of exchanges)
    if (label !== null) fed.set(label, [...new Set([...(fed.get(label) ?? []), feed])]);
  const labels: CallLabel[] = [...fed.keys()].map((name) => ({ name, weight: 1 }));
  const options = { ...CALL_DEFAULTS, labels, seed, switchEvery: clock.change };
  const made = callRound({ ...options, count: callsWithin(clock.round, options) });
  if (!made.ok) return null;
  const { items, shares } = made.round;
  return {
    title: "Calls",
    place: placeOf(plan, plan.rounds[round]!, round),
    facts: [
      `For the instructor, or for who feeds. ${shares.map((s) => `${s.name}: ${fed.get(s.name)!.join(", ")}, ${s.times}×`).join("; ")}.`,
    ],
    staves: [],
    words: items.filter((item) => item.at < clock.round).map(words),
  };
}
