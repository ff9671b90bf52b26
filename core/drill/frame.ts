/** The frame of a drill: who stands where before the first feed. */
import { metres, rowIndex, type Metres } from "../base/units.ts";
import { launch } from "../exchange/blow.ts";
import { MODEL } from "../exchange/constants.ts";
import { cueOf } from "../exchange/cue.ts";
import { padAhead } from "../exchange/pads.ts";
import { plainFeed } from "../exchange/feed.ts";
import type { Feed } from "../exchange/types.ts";
import { bodyOf, type Body } from "../body/body.ts";
import { isArmPart } from "../body/parts.ts";
import { takenPart } from "../exchange/limbs.ts";
import { startState, type World } from "../body/state.ts";
import type { Header, RangeName } from "../score/header.ts";
import { BLANK, type Actor, type Line, type Row, type Score, type ScoreItem } from "../score/types.ts";
import { doneFrom } from "../read/stance.ts";
import type { LineReader } from "../read/line-reader.ts";
import type { MoveUse } from "../read/types.ts";
import { keptFor } from "../base/bounded.ts";
import { plainUse } from "../read/plain-use.ts";
import type { Move } from "../words/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

/** The bodies of a drill at a distance of A and B, m. */
export function place({ people, actors }: Header, distance: Metres): World {
  const A = startState("A", bodyOf(people.A), 0, 0);
  const B = startState("B", bodyOf(people.B), 0, distance);
  if (!actors.includes("C")) return { A, B };
  // An equilateral triangle: the third stands as far from both as they from each other.
  return { A, B, C: startState("C", bodyOf(people.C), distance * Math.sqrt(0.75), distance / 2) };
}

/** Where a feed is thrown from, m. */
interface Landing {
  /** With the step that a distance is set for. */
  readonly usual: Metres;
  /** With all of its own step. */
  readonly most: Metres;
}

/** The distances of A and B, m, that a header can lead to. */
export interface Distances {
  /** What is written, or that of hands that touch; null where a feed decides. */
  readonly fixed: Metres | null;
  /** Those at which the first attack of a line lands; null where nothing in it attacks. */
  readonly by: (line: Line) => Landing | null;
  /** Where nobody attacks. */
  readonly usual: Metres;
}

/** Distances under a header; those of lines are kept with them. */
export function distancesOf(header: Header, reader: LineReader): Distances {
  const { vocabulary } = reader;
  const trial = place(header, metres(1));
  const named = (name: RangeName) => rangeDistance({ name }, trial, vocabulary);
  const known = new WeakMap<Line, Landing | null>();
  const measure = (line: Line): Landing | null => {
    const first = attackIn(line, reader, trial);
    if (!first) return null;
    if (!first.use.move.attack) {
      // Hands meet at one distance, bodies at another.
      const at = named(first.use.move.energy || isArmPart(takenPart(first.use)) ? "trap" : "clinch");
      return { usual: at, most: at };
    }
    const receiver = first.actor === "A" ? "B" : "A";
    const landing = landingFor(first.use, first.actor, receiver, trial);
    if (!first.pad) return landing;
    const ahead = padAhead(first.use, trial[receiver]!);
    return { usual: metres(landing.usual + ahead), most: metres(landing.usual + ahead) };
  };
  return {
    fixed: fixedDistance(header, trial, vocabulary),
    by(line) {
      let distance = known.get(line);
      if (distance === undefined) known.set(line, (distance = measure(line)));
      return distance;
    },
    usual: named("punch"),
  };
}

/** The distance that is written, or that of hands that touch; null where a feed decides, m. */
function fixedDistance({ formation, range, kind }: Header, trial: World, vocabulary: Vocabulary): Metres | null {
  const size = (trial.A!.body.scale + trial.B!.body.scale) / 2;
  if (formation.name === "triangle" && formation.sideMetres !== null) return formation.sideMetres;
  if (formation.name === "feet interlocked") return metres(MODEL.interlocked * size);
  if (range) return rangeDistance(range, trial, vocabulary);
  return kind === "sensitivity" ? rangeDistance({ name: "trap" }, trial, vocabulary) : null;
}

/**
 * The distance of A and B for lines that stand together, m: what is written, else what the first feed of them
 * needs; nearer where another would not land from there with all of its step.
 */
export const distanceIn = (items: readonly ScoreItem[], { fixed, by, usual }: Distances): Metres =>
  fixed ?? shared(items, by)?.usual ?? usual;

/** The distance at which a score begins, m: that of its first line, or of the block that stands first. */
export function startDistance({ items }: Score, distances: Distances): Metres {
  for (const item of items)
    if (item.kind === "block" || (item.kind === "line" && distances.by(item.line) !== null))
      return distanceIn([item], distances);
  return distanceIn([], distances);
}

function rangeDistance(range: NonNullable<Header["range"]>, trial: World, vocabulary: Vocabulary): Metres {
  if ("metres" in range) return range.metres;
  const scale = (trial.A!.body.arm + trial.B!.body.arm) / (2 * 0.44 * 1.75);
  switch (range.name) {
    case "clinch":
      return metres(MODEL.clinch * scale);
    case "trap":
      return metres(MODEL.trap * scale);
    case "out": {
      const names: RangeName[] = ["punch", "weapon", "kick"];
      return metres(MODEL.beyond + Math.max(...names.map((name) => rangeDistance({ name }, trial, vocabulary))));
    }
    default:
      return solveFor(range.name, trial, vocabulary);
  }
}

/** The distance at which the blow that sets a striking range lands. */
function solveFor(range: NonNullable<Move["setsRange"]>, trial: World, vocabulary: Vocabulary): Metres {
  const sets = keptFor(
    rangeSetters,
    vocabulary,
    ({ moves }) =>
      new Map([...moves.values()].flatMap((move) => (move.setsRange && !move.own ? [[move.setsRange, move]] : []))),
  );
  return landingFor(plainUse(sets.get(range)!), "A", "B", trial).usual;
}

const rangeSetters = new WeakMap<Vocabulary, ReadonlyMap<NonNullable<Move["setsRange"]>, Move>>();

/** Distances solved before, by the two bodies; drills of a search begin with the same few feeds. */
interface Solved {
  readonly move: Move;
  readonly landing: Landing;
}
const distances = new WeakMap<Body, WeakMap<Body, Map<string, Solved>>>();

/** The distance at which a feed lands with its own usual step and the usual spare. */
function landingFor(use: MoveUse, actor: Actor, receiver: Actor, trial: World): Landing {
  const one = trial[actor]!.body;
  const two = trial[receiver]!.body;
  const byOther = distances.get(one) ?? new WeakMap<Body, Map<string, Solved>>();
  distances.set(one, byOther);
  const known = byOther.get(two) ?? new Map<string, Solved>();
  byOther.set(two, known);
  const key = `${actor} ${use.text}`;
  const old = known.get(key);
  if (old?.move === use.move) return old.landing;
  const landing = solveLanding(use, actor, receiver, trial);
  known.set(key, { move: use.move, landing });
  return landing;
}

function solveLanding(use: MoveUse, actor: Actor, receiver: Actor, trial: World): Landing {
  const attacker = trial[actor]!;
  const target = trial[receiver]!;
  const row: Row = { index: rowIndex(0), from: 0, content: BLANK };
  const feed: Feed = { ...plainFeed({ use, row, actor, receiver }), isReturn: true };
  const blow = launch(feed, attacker, target, 0);
  // As a return nothing is stepped: `missing` is how far the tip stays from the surface at 1 m.
  const away = Math.hypot(attacker.x - target.x, attacker.y - target.y);
  const own = use.move.attack!.step ?? MODEL.solvedStep;
  const from = (step: number) => metres(away - blow.missing + step * attacker.body.scale - MODEL.spare);
  return { usual: from(Math.min(own, MODEL.solvedStep)), most: from(own) };
}

function shared(items: readonly ScoreItem[], by: Distances["by"]): Landing | null {
  let all: Landing | null = null;
  for (const item of items) {
    if (item.kind !== "block" && item.kind !== "line") continue;
    const own = item.kind === "block" ? shared(item.items, by) : by(item.line);
    if (own === null) continue;
    const most: Metres = all === null || own.most < all.most ? own.most : all.most;
    const usual: Metres = all?.usual ?? own.usual;
    all = { most, usual: usual < most ? usual : most };
  }
  return all;
}

/** The first attack of a line, as its maker would do it from their stance. */
function attackIn(
  line: Line,
  reader: LineReader,
  trial: World,
): { readonly use: MoveUse; readonly actor: Actor; readonly pad: boolean } | null {
  let shown = false;
  for (const turn of reader.read(line).plays[0]?.turns ?? []) {
    for (const [read] of turn.alternatives) {
      const state = trial[read!.actor];
      if (!state) continue;
      const { beats } = doneFrom(read!, state, reader.vocabulary);
      const uses = beats.flatMap((beat) => beat.uses);
      const use = uses.find((u) => (u.move.attack && !u.feint) ?? u.move.energy);
      if (use) return { use, actor: read!.actor, pad: use.move.attack !== undefined && (shown || use.pad !== null) };
      shown ||= uses.some((u) => u.move.cue === "pad");
      const hold = uses.find((u) => cueOf(u) === "hold");
      if (hold) return { use: hold, actor: read!.actor, pad: false };
    }
  }
  return null;
}
