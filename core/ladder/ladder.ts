/** A ladder: from one exchange to more than the whole drill, one change a rung, in even steps of load. */
import { lineNumber } from "../base/units.ts";
import { linesOf } from "../score/structure.ts";
import { percent } from "../exchange/time.ts";
import { countExchanges, placeWords } from "../drill/exchange-count.ts";
import type { Checked } from "../drill/types.ts";
import { seeded } from "../random/random.ts";
import type { School } from "../policy/school.ts";
import { assessRows, readText, type Assessment, validSubset } from "../answers/check-text.ts";
import { rowsOf, textOf, withHeader } from "../score/edit.ts";
import { coachingOf, type Coaching } from "./coaching.ts";
import { evenPath, type PathNode } from "./even-path.ts";
import { OPERATOR_NAMES, stageOf, type OperatorId } from "../vary/operator-names.ts";
import type { Stage } from "../policy/stages.ts";
import { drillRows } from "./row-cuts.ts";
import { ladderFault, type Goal, type LadderOptions } from "./ladder-options.ts";
import { firstRungs, SLOW_START, type Step } from "./ladder-rows.ts";
import { LEAST_STEP, reachedAt, stepped, steps, type Climb } from "./ladder-steps.ts";
import { CHANGES } from "../vary/change-words.ts";
import { playOf, type Variation } from "../vary/vary.ts";

/** A change that can make a rung: an operator, or more rows of the drill as they stand. */
export type RungChange = Omit<Variation, "operator"> & { readonly operator: OperatorId | "rows" };

/** A rung of a ladder: a drill that changes one thing of the rung before. */
export interface Rung {
  readonly text: string;
  /** null on the first rung. */
  readonly operator: OperatorId | "rows" | null;
  readonly changed: string;
  /** How many rows of the drill have come in. */
  readonly rows: number;
  readonly checked: Checked;
  /** What is said with it: cues, a fault, how to feed it, when to go on. */
  readonly coaching: Coaching;
  /** Others that can stand here: the same step from the rung before, another change. */
  readonly alternatives: readonly Step[];
}
/** A ladder, or why there is none. */
export type LadderResult =
  | {
      readonly ok: true;
      readonly rungs: readonly Rung[];
      /** The largest difference of a step from the even step, as a share of it. */
      readonly unevenness: number;
      /** The drill had errors: the ladder starts from its sound part. */
      readonly partial: boolean;
      /** What stands in the way of what was asked, in words. */
      readonly notes: readonly string[];
      /** Load that the last rung was asked to reach. */
      readonly top: number;
    }
  | { readonly ok: false; readonly message: string };

interface Way {
  readonly from: number;
  readonly operator: OperatorId | "rows";
  readonly changed: string;
}

interface Node extends Assessment {
  /** What it is by itself, for a first rung. */
  readonly changed: string;
  /** The ways to it, each from a place in the layer before. */
  readonly ways: Way[];
  stage: number;
  /** Operators used on the best way here. */
  used: readonly string[];
  /** How many rows of the drill have come in. */
  readonly rows: number;
  /** The step that would bring its start up to the goal evenly, and what the steps so far miss of it, squared. */
  even: number;
  off: number;
}

/** How many others are kept for a rung. */
const ALTERNATIVES = 5;

/** Makes a ladder; yields the share done, so that the caller can breathe and cancel. */
export function* makeLadder(drill: Checked, school: School, options: LadderOptions): Generator<number, LadderResult> {
  const fault = ladderFault(options);
  if (fault) return { ok: false, message: fault };
  if (linesOf(drill.score.items).next().done)
    return {
      ok: false,
      message:
        "A ladder is built of rows, and there is none here. Write one, such as `A jab -> B catch`, above the rest.",
    };
  const base = validSubset(drill, school);
  if (!base)
    return {
      ok: false,
      message: "No row of this drill is sound. Mend one row at the desk first; the ladder starts from it.",
    };
  const kept = keptNodes(school, options);
  const layers: Node[][] = [
    options.pins.includes(0) ? [kept[0]!] : unlike([...firstRungs(base, school).map(begin), ...kept.slice(0, 1)]),
  ];
  const siblings = new Map<string, Step[]>();
  const first = Math.min(...layers[0]!.map((n) => n.load.total));
  const top = Math.max(base.load.total * options.goal.load, first + options.rungs * LEAST_STEP);
  for (const node of layers[0]!) node.even = (top - node.load.total) / (options.rungs - 1);
  const climb: Climb = { base, school, options, random: seeded(options.seed) };
  for (let l = 1; l < options.rungs; l++) {
    const next = new Map<string, Node>();
    for (const [i, node] of layers[l - 1]!.entries()) {
      yield (l - 1 + i / layers[l - 1]!.length) / options.rungs;
      const harder = steps(node, l, climb);
      siblings.set(playOf(node.text), harder);
      for (const v of harder) reach(next, after(node, v, options.order), way(i, v));
    }
    const stays = kept[l];
    const edge = options.kept[l]?.operator;
    if (stays && edge) {
      const before = layers[l - 1]!.findIndex((n) => playOf(n.text) === playOf(kept[l - 1]!.text));
      reach(next, stays, { from: before, operator: edge, changed: stays.changed });
    }
    const near = nearest([...next.values()], l, climb);
    const layer =
      stays && options.pins.includes(l)
        ? near.filter((n) => playOf(n.text) === playOf(stays.text))
        : unlike([
            ...near.slice(0, l === options.rungs - 1 ? next.size : options.width),
            ...(stays ? [next.get(playOf(stays.text))!] : []),
          ]);
    if (layer.length === 0) break;
    layers.push(layer);
  }
  return finish({ layers, siblings, top }, drill, climb);
}

/** A way to a position: a new one, or one more to a position that is known. */
function reach(layer: Map<string, Node>, node: Node, by: Way): void {
  const key = playOf(node.text);
  const known = layer.get(key);
  if (!known) layer.set(key, { ...node, ways: [by] });
  else if (!known.ways.some((w) => w.from === by.from)) {
    known.ways.push(by);
    const { off, even, stage, used } = node;
    if (off < known.off) Object.assign(known, { off, even, stage, used });
  }
}

const way = (from: number, { operator, changed }: Step): Way => ({ from, operator, changed });

const unlike = (nodes: readonly Node[]): Node[] =>
  nodes.filter((node, i) => nodes.findIndex((other) => playOf(other.text) === playOf(node.text)) === i);

type Place = Pick<Step, "changed" | "rows" | keyof Assessment>;
const placeOf = ({ text, changed, rows, verdict, load, tempo, distance, shares, checked }: Place): Place => ({
  text,
  changed,
  rows,
  verdict,
  load,
  tempo,
  distance,
  shares,
  checked,
});

/** A first rung. */
const begin = (place: Place): Node => ({
  ...placeOf(place),
  ways: [],
  stage: 0,
  used: [],
  even: 0,
  off: 0,
});

const after = (node: Node, v: Place & Pick<Step, "operator" | "ownTempo">, order: readonly Stage[]): Node => ({
  ...placeOf(v),
  ways: [],
  ...stepped(node, v, order),
  even: node.even,
  off: node.off + (v.load.total - node.load.total - node.even) ** 2,
});

/** The rungs of an earlier ladder as positions of this one. */
function keptNodes(school: School, { kept, order }: LadderOptions): Node[] {
  const nodes: Node[] = [];
  for (const rung of kept) {
    const before = nodes[nodes.length - 1];
    const step = { ...rung, ...assessRows(rowsOf(rung.text), school) };
    nodes.push(
      before && rung.operator !== null ? after(before, { ...step, operator: rung.operator }, order) : begin(step),
    );
  }
  return nodes;
}

/** How far a position is from what the goal asks of its layer, in units of load. */
function nearest(nodes: Node[], layer: number, { base, options: { goal, rungs, order } }: Climb): Node[] {
  const share = layer / (rungs - 1);
  const last = tempoAtEnd(goal, base);
  const due = goal.wants.filter((id) => reachedAt(order, layer, rungs) > order.indexOf(stageOf(id)));
  const slow = Math.min(SLOW_START, last);
  const tempo = slow + (last - slow) * share;
  const away = (node: Node): number =>
    node.off + UNMET * due.filter((id) => !has(node, id)).length + TEMPO_GAP * Math.max(0, tempo - node.tempo);
  return nodes
    .map((node) => ({ node, away: away(node) }))
    .sort((a, b) => a.away - b.away)
    .map(({ node }) => node);
}
/** The tempo that a ladder comes to, share of full speed: what is asked for, else that of the drill itself. */
const tempoAtEnd = ({ tempo }: Goal, { header }: Checked): number => tempo ?? header.tempo;

/** A wish that could be met by now and is not weighs like this much load. */
const UNMET = 3;
/** So does full speed that is missing. */
const TEMPO_GAP = 10;

/** A last rung is as hard as was asked, or nearly so. */
const NEAR_GOAL = 0.9;

/** The positions that were found, rung by rung, and what else was found behind each. */
interface Found {
  readonly layers: readonly (readonly Node[])[];
  readonly siblings: ReadonlyMap<string, readonly Step[]>;
  readonly top: number;
}

function finish(found: Found, drill: Checked, climb: Climb): LadderResult {
  const { options, base } = climb;
  const whole = [...found.layers.slice(0, -1), goodEnds(found, climb)];
  const graph: PathNode[][] = whole.map((layer) =>
    layer.map((n) => ({ load: n.load.total, from: n.ways.map((w) => w.from) })),
  );
  const path = evenPath(graph);
  if (!path)
    return {
      ok: false,
      message:
        options.pins.length > 0
          ? "No way up was found that keeps the pinned rungs: they do not rise, or nothing fits between them. Take a pin out."
          : "No way up was found. Allow more operators, or fewer rungs.",
    };
  const nodes = path.places.map((place, l) => whole[l]![place]!);
  const rungs = nodes.map((node, l) => {
    const by = node.ways.find((w) => w.from === path.places[l - 1]);
    const others = l === 0 ? [] : (found.siblings.get(playOf(nodes[l - 1]!.text)) ?? []);
    const title = `${base.header.title ?? "Drill"}, rung ${l + 1}`;
    return rungOf({ node, by, before: nodes[l - 1] }, title, others);
  });
  const end = nodes[nodes.length - 1]!;
  const notes = [...leftOut(drill, base), ...missingOf(end, options.goal, base)];
  const missing = Math.ceil(drillRows(base).length - end.rows);
  if (missing > 0)
    notes.push(`${missing === 1 ? "One row" : `${missing} rows`} of the drill did not fit in. Ask for more rungs.`);
  if (nodes.length < options.rungs)
    notes.unshift(
      `It ends after ${nodes.length} of ${options.rungs} rungs: nothing else that is allowed makes it harder and stays sound. Allow more changes.`,
    );
  return {
    ok: true,
    rungs: distinct(rungs),
    unevenness: path.unevenness,
    partial: base !== drill,
    top: found.top,
    notes,
  };
}

/** The last positions that miss least of the goal; where none misses anything, those that are hard enough. */
function goodEnds({ layers, top }: Found, { base, options: { goal } }: Climb): Node[] {
  const last = layers[layers.length - 1]!;
  const missing = (node: Node) => missingOf(node, goal, base).length;
  const least = Math.min(...last.map(missing));
  const ends = last.filter((node) => missing(node) === least);
  const high = Math.min(top, Math.max(...ends.map((node) => node.load.total)));
  return least > 0 ? ends : ends.filter((node) => node.load.total >= high * NEAR_GOAL);
}

/** A position on the way up: how it was come to, and the one under it. */
interface Placed {
  readonly node: Node;
  readonly by: Way | undefined;
  readonly before: Node | undefined;
}

/** A position as a rung, with the steps that come nearest to its load in its place. */
function rungOf({ node, by, before }: Placed, title: string, others: readonly Step[]): Rung {
  const off = (step: Step) => Math.abs(step.load.total - node.load.total);
  const near = others.filter((v) => playOf(v.text) !== playOf(node.text)).sort((a, b) => off(a) - off(b));
  const operator = by?.operator ?? null;
  const checked = node.checked();
  return {
    text: textOf(withHeader(readText(node.text), { title })),
    operator,
    changed: by?.changed ?? node.changed,
    rows: node.rows,
    checked,
    coaching: coachingOf(checked, before?.checked() ?? null, operator),
    alternatives: near.slice(0, ALTERNATIVES),
  };
}

/** A drill may have what a goal asks for without an operator having brought it in. */
const SHOWS: Partial<Record<OperatorId, RegExp>> = {
  "feeders-choice": /^ *choose [A-C]:$/m,
  calls: /^ *choose call:$/m,
  "semi-live": /^cadence: free$/m,
};
const has = ({ used, text }: Node, id: OperatorId): boolean => used.includes(id) || (SHOWS[id]?.test(text) ?? false);

/** What the goal asks for and a last rung has not, in words. */
function missingOf(node: Node, goal: Goal, base: Checked): string[] {
  const { tempo: now, checked } = node;
  const { wants } = goal;
  const tempo = tempoAtEnd(goal, base);
  const notes = wants
    .filter((id) => !has(node, id))
    .map((id) => `I found no step for “${OPERATOR_NAMES[id]}”. Allow it, or ask for more rungs.`);
  if (now >= tempo - 1e-9) return notes;
  const ceilings = checked().exchanges.flatMap((e) => (e.ceiling !== null && e.ceiling > 0 ? [e.ceiling] : []));
  const most = Math.min(...ceilings);
  const why =
    most < tempo
      ? `the tightest exchange of the last rung allows ${percent(most)}%`
      : "ask for more rungs, or start faster";
  return [...notes, `It stops at ${percent(now)}% of full speed instead of ${percent(tempo)}%: ${why}.`];
}

/** Parts of a drill that no rung has, as they are named. */
const BESIDE = {
  wrong: "What shows how it goes wrong",
  "any time": "What may come at any time",
  lands: "What goes on from a hit",
  game: "The game",
} as const;

/** The rows of a drill that are not sound, and so in no rung, with the reason. */
function leftOut(drill: Checked, base: Checked): string[] {
  const notes: string[] = [];
  for (const kind of new Set(drill.score.items.map((item) => item.kind)))
    if (kind in BESIDE) notes.push(`${BESIDE[kind as keyof typeof BESIDE]} is in no rung.`);
  if (base === drill) return notes;
  const { of } = countExchanges(drill);
  for (const { row } of linesOf(drill.score.items)) {
    const line = lineNumber(row.index);
    const fault = drill.findings.find((f) => f.severity === "error" && f.line === line);
    if (fault) notes.push(`Without ${placeWords(fault, of(fault))}: ${fault.message}`);
  }
  return notes;
}

/** Titles of rungs that say the same are told apart by the exchange, or else by their place. */
function distinct(rungs: readonly Rung[]): Rung[] {
  const twice = (changed: string) => rungs.filter((rung) => rung.changed === changed).length > 1;
  const seen = new Map<string, number>();
  return rungs.map((rung) => {
    if (!twice(rung.changed)) return rung;
    const { rows } = rung.coaching;
    const exchange = rows.length === 1 ? countExchanges(rung.checked).of({ line: rows[0]! }) : null;
    const said = exchange === null ? rung.changed : CHANGES.inExchange(rung.changed, exchange);
    const times = (seen.get(said) ?? 0) + 1;
    seen.set(said, times);
    return { ...rung, changed: times === 1 ? said : `${said}, once more` };
  });
}
