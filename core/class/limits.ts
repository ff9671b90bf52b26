/** What people leave out, read against a drill: which rung is none for them, and what is only said. Common practice, no source. */
import type { Checked } from "../drill/types.ts";
import { allDone } from "../drill/done.ts";
import { PADS } from "../score/person.ts";
import type { Move } from "../words/types.ts";

interface LimitRule {
  /** What a limit says that this is about. */
  readonly word: string;
  /** What is said of a drill in which it comes up. */
  readonly said: string;
  readonly clashes: (moves: readonly Move[], checked: Checked) => boolean;
}

const NO_CONTACT = "no contact";
const isTouched = ({ header }: Checked): boolean => header.contact !== "none";
const some =
  (test: (move: Move) => boolean): LimitRule["clashes"] =>
  (moves) =>
    moves.some(test);
const turnsOnFoot = (move: Move): boolean =>
  move.attack?.overTurns === true || (move.answer ?? []).some((way) => way.by === "displace" && (way.turn ?? 0) !== 0);

const RULES: readonly LimitRule[] = [
  {
    word: "no falls",
    said: "no falls, and this goes to the ground",
    clashes: some((move) => move.attack?.path === "shoot" || move.fells === true),
  },
  { word: "no kicks", said: "no kicks", clashes: (_, checked) => allDone(checked).some((e) => e.blow?.limb === "leg") },
  { word: NO_CONTACT, said: "no contact", clashes: (_, checked) => isTouched(checked) },
  {
    word: "no head contact",
    said: "no contact to the head",
    clashes: (_, checked) => isTouched(checked) && allDone(checked).some((e) => e.blow?.zone === "head"),
  },
  {
    word: "no rolling",
    said: "no rolling, and this goes down to the mat",
    clashes: some((move) => move.goesDown === true || move.fells === true || move.attack?.path === "shoot"),
  },
  { word: "no jumping", said: "no jumping", clashes: some((move) => move.jumps === true) },
  {
    word: "no hard holding",
    said: "holds no pads for hard blows",
    clashes: (_, { header }) =>
      (header.contact === "medium" || header.contact === "full") &&
      header.actors.some((actor) => header.people[actor].wears.some((gear) => PADS.has(gear))),
  },
  { word: "no turns on one foot", said: "no turns on one foot", clashes: some(turnsOnFoot) },
  {
    word: "no kneeling",
    said: "no kneeling, and this goes down to the mat",
    clashes: some((move) => move.goesDown === true),
  },
  { word: "spare the neck", said: "spare the neck, and this pulls at the head", clashes: some(takesNeck) },
  {
    word: "spare the knee",
    said: "spare the knee, and this goes down to the mat or kicks the leg",
    clashes: (moves, checked) =>
      moves.some((move) => move.goesDown === true || move.fells === true) ||
      allDone(checked).some(({ blow }) => blow?.limb === "leg" && blow.zone !== "head"),
  },
];

function takesNeck(move: Move): boolean {
  return move.contact !== undefined && ["head", "neck"].includes(move.contact.on);
}

/** Read by the checker itself: it says what stands for each hold. */
const NO_CLOSE_TOUCH = "no close touch";
/** Returns true for limits among which is no close touch. */
export const wantsNoCloseTouch = (limits: readonly string[]): boolean =>
  limits.some((limit) => limit.toLowerCase().includes(NO_CLOSE_TOUCH));

/** Limits that the plan knows by name; any other is shown on the card as it is written. */
export const LIMITS: readonly string[] = [...RULES.map(({ word }) => word), NO_CLOSE_TOUCH];

/** All moves of a drill and its games, feeds and answers and returns. */
export const movesOf = (checked: Pick<Checked, "exchanges" | "games">): Move[] =>
  allDone(checked).flatMap(({ feed, beat, returns }) => [
    ...(feed ? [feed.move] : []),
    ...beat.map(({ move }) => move),
    ...returns.map(({ use }) => use.move),
  ]);

/** After a blow to the head, until it is cleared: what somebody leaves out in every class. Common practice, no source. */
export const AFTER_HEAD_BLOW: readonly string[] = [
  "no contact: a blow to the head, not cleared yet",
  "no falls",
  "no rolling",
  "no jumping",
  "no kicks",
  "no hard holding",
];

const NOT_LEARNT_TO_FALL = "no falls: has not learnt to fall";

/** What somebody leaves out: what they say, and falls where nobody has said that they have learnt to. */
export const limitsFor = ({
  limits,
  falls,
}: {
  readonly limits: readonly string[];
  readonly falls?: boolean;
}): readonly string[] => (falls === false ? [...limits, NOT_LEARNT_TO_FALL] : limits);

/** True for a drill in which somebody may go to the floor by a throw, a sweep or a shot. */
export const needsFall = (checked: Checked): boolean =>
  movesOf(checked).some((move) => move.attack?.path === "shoot" || move.fells === true);

/** Limits without that of contact, for whoever works without it already. */
export const withoutContactLimit = (limits: readonly string[]): string[] =>
  limits.filter((limit) => !limit.toLowerCase().includes(NO_CONTACT));

/** Why a drill is none for somebody with these limits, in words; empty where it is one. */
export function limitsAgainst(limits: readonly string[], checked: Checked): string[] {
  if (limits.length === 0) return [];
  const moves = movesOf(checked);
  return RULES.filter(
    ({ word, clashes }) => limits.some((limit) => limit.toLowerCase().includes(word)) && clashes(moves, checked),
  ).map(({ said }) => said);
}
