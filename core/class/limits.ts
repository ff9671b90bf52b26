/** What people leave out, read against a drill: which rung is none for them, and what is only said. Common practice, no source. */
import type { Checked } from "../drill/types.ts";
import type { Move } from "../words/types.ts";

interface LimitRule {
  /** What a limit says that this is about. */
  readonly word: string;
  /** What is said of a drill in which it comes up. */
  readonly said: string;
  readonly clashes: (moves: readonly Move[], checked: Checked) => boolean;
}

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
  { word: "no kicks", said: "no kicks", clashes: (_, { exchanges }) => exchanges.some((e) => e.blow?.limb === "leg") },
  { word: "no contact", said: "no contact", clashes: (_, checked) => isTouched(checked) },
  {
    word: "no head contact",
    said: "no contact to the head",
    clashes: (_, checked) => isTouched(checked) && checked.exchanges.some((e) => e.blow?.zone === "head"),
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
    clashes: (moves, { exchanges }) =>
      moves.some((move) => move.goesDown === true || move.fells === true) ||
      exchanges.some(({ blow }) => blow?.limb === "leg" && blow.zone !== "head"),
  },
];

function takesNeck(move: Move): boolean {
  return move.contact !== undefined && ["head", "neck"].includes(move.contact.on);
}

/** Read by the checker itself: it says what stands for each hold. */
const NO_CLOSE_TOUCH = "no close touch";
export const wantsNoCloseTouch = (limits: readonly string[]): boolean =>
  limits.some((limit) => limit.toLowerCase().includes(NO_CLOSE_TOUCH));

/** Limits that the plan knows by name; any other is shown on the card as it is written. */
export const LIMITS: readonly string[] = [...RULES.map(({ word }) => word), NO_CLOSE_TOUCH];

const movesOf = ({ exchanges }: Checked): Move[] =>
  exchanges.flatMap(({ feed, beat, returns }) => [
    ...(feed ? [feed.move] : []),
    ...beat.map(({ move }) => move),
    ...returns.map(({ use }) => use.move),
  ]);

/** Why a drill is none for somebody with these limits, in words; empty where it is one. */
export function limitsAgainst(limits: readonly string[], checked: Checked): string[] {
  if (limits.length === 0) return [];
  const moves = movesOf(checked);
  return RULES.filter(
    ({ word, clashes }) => limits.some((limit) => limit.toLowerCase().includes(word)) && clashes(moves, checked),
  ).map(({ said }) => said);
}
