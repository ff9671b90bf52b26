/** A ladder: from one exchange to more than the whole drill, one change a rung, in even steps of load. */
import type { Checked } from "../check/types.ts";
import { seeded, shuffled } from "../random/random.ts";
import { format } from "../score/format.ts";
import type { School } from "../school/school.ts";
import { linesOf } from "../score/structure.ts";
import type { Line } from "../score/types.ts";
import { checkText, readText } from "./check-text.ts";
import { plainScore, withLines } from "./edit.ts";
import { evenPath, type PathNode } from "./even-path.ts";
import { OPERATORS, STAGES, stageOf, type OperatorId, type Stage } from "./operator-names.ts";
import type { Candidate } from "./operators/shared.ts";
import { candidates, soundPart, vary, type Variation } from "./vary.ts";

export interface LadderOptions {
  readonly rungs: number;
  readonly seed: number;
  /** Which operators may be used. */
  readonly operators: readonly OperatorId[];
  /** Stages in the order of the school: an operator of an earlier stage never comes after one of a later. */
  readonly order: readonly Stage[];
  /** Load of the last rung against that of the whole drill. */
  readonly goal: number;
  /** Positions kept in each layer. */
  readonly width: number;
}
/** For two people, upwards: what makes a drill easier, needs a third or a quiet room is chosen by hand. */
const NOT_BY_ITSELF: readonly OperatorId[] = ["solo", "tempo-down", "third-person", "context", "isolate"];
export const LADDER_DEFAULTS: LadderOptions = {
  rungs: 8,
  seed: 1,
  operators: OPERATORS.filter((id) => !NOT_BY_ITSELF.includes(id)),
  order: STAGES,
  goal: 1.5,
  width: 4,
};

/** The stages as a school wants them: chance before tempo where it brings chance in early. */
export const stagesOf = ({ customs }: School): readonly Stage[] =>
  customs.chance === "late"
    ? ["parts", "pairs", "chains", "variety", "tempo", "uncertainty", "force"]
    : ["parts", "pairs", "chains", "variety", "uncertainty", "tempo", "force"];

/** A change that can make a rung: an operator, or more rows of the drill as they stand. */
export type RungChange = Omit<Variation, "operator"> & { readonly operator: OperatorId | "rows" };

export interface Rung {
  readonly text: string;
  /** null on the first rung. */
  readonly operator: OperatorId | "rows" | null;
  readonly changed: string;
  readonly checked: Checked;
  /** Others that can stand here: the same step from the rung before, another change. */
  readonly alternatives: readonly RungChange[];
}
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
    }
  | { readonly ok: false; readonly message: string };

interface Node {
  readonly text: string;
  readonly checked: Checked;
  readonly operator: OperatorId | "rows" | null;
  readonly changed: string;
  readonly stage: number;
  /** Places in the layer before. */
  readonly from: number[];
  /** Operators used on the way here. */
  readonly used: readonly string[];
  /** How many rows of the drill it has, as they stand; null once something else has changed. */
  readonly rows: number | null;
}

/** A rung must be harder by this much to be felt as another. */
const LEAST_STEP = 0.15;
/** The same operator at most this often in one ladder; where nothing is said, once. */
const MOST_USES: Partial<Record<OperatorId, number>> = {
  "tempo-up": 3,
  "add-return": 2,
  chain: 2,
  "responders-choice": 2,
};
/** Most candidates of one operator that are tried from one position. */
const EACH = 3;
/** How many others are kept for a rung. */
const ALTERNATIVES = 5;
const SLOW_START = 0.4;
/** Rows that may come in at once. */
const MOST_ROWS = 3;

/** Makes a ladder; yields the share done, so that the caller can breathe and cancel. */
export function* makeLadder(drill: Checked, school: School, options: LadderOptions): Generator<number, LadderResult> {
  const fault = ladderFault(options);
  if (fault) return { ok: false, message: fault };
  const base = soundPart(drill, school);
  if (!base)
    return {
      ok: false,
      message: "No row of this drill is sound. Mend one row at the desk first; the ladder starts from it.",
    };
  const layers: Node[][] = [starts(base, school)];
  const siblings = new Map<string, RungChange[]>();
  const first = Math.min(...layers[0]!.map((n) => n.checked.load.total));
  const goal = Math.max(base.load.total * options.goal, first + options.rungs * LEAST_STEP);
  const random = seeded(options.seed);
  for (let l = 1; l < options.rungs; l++) {
    const target = first + ((goal - first) * l) / (options.rungs - 1);
    const next = new Map<string, Node>();
    for (const [i, node] of layers[l - 1]!.entries()) {
      yield (l - 1 + i / layers[l - 1]!.length) / options.rungs;
      const harder = steps(node, l, base, school, options, random);
      siblings.set(node.text, harder);
      for (const v of harder) {
        const known = next.get(v.text);
        if (known) {
          known.from.push(i);
          continue;
        }
        next.set(v.text, {
          text: v.text,
          checked: v.checked,
          operator: v.operator,
          changed: v.changed,
          stage: v.operator === "rows" ? node.stage : Math.max(node.stage, options.order.indexOf(stageOf(v.operator))),
          from: [i],
          used: [...node.used, v.operator],
          rows: v.rows ?? null,
        });
      }
    }
    const kept = [...next.values()]
      .sort((a, b) => Math.abs(a.checked.load.total - target) - Math.abs(b.checked.load.total - target))
      .slice(0, l === options.rungs - 1 ? next.size : options.width);
    if (kept.length === 0) break;
    layers.push(kept);
  }
  return finish(layers, siblings, drill, base, options);
}

function finish(
  layers: readonly (readonly Node[])[],
  siblings: ReadonlyMap<string, readonly RungChange[]>,
  drill: Checked,
  base: Checked,
  options: LadderOptions,
): LadderResult {
  const graph: PathNode[][] = layers.map((layer) => layer.map((n) => ({ load: n.checked.load.total, from: n.from })));
  const path = evenPath(graph);
  if (!path) return { ok: false, message: "No way up was found. Allow more operators, or fewer rungs." };
  const nodes = path.places.map((place, l) => layers[l]![place]!);
  const loads = nodes.map((n) => n.checked.load.total);
  const step = (loads[loads.length - 1]! - loads[0]!) / Math.max(1, loads.length - 1);
  const rungs = nodes.map((n, l): Rung => {
    const others = l === 0 ? [] : (siblings.get(nodes[l - 1]!.text) ?? []);
    const near = others
      .filter((v) => v.text !== n.text)
      .sort((a, b) => Math.abs(a.checked.load.total - loads[l]!) - Math.abs(b.checked.load.total - loads[l]!));
    const title = `${base.header.title ?? "Drill"}, rung ${l + 1}`;
    const text = format(readText(withLines(n.checked.score, (item) => item.line, { title })));
    return {
      text,
      operator: n.operator,
      changed: n.changed,
      checked: n.checked,
      alternatives: near.slice(0, ALTERNATIVES),
    };
  });
  const notes =
    nodes.length < options.rungs
      ? [
          `It ends after ${nodes.length} of ${options.rungs} rungs: no allowed change makes it harder and keeps it sound. Allow more operators.`,
        ]
      : [];
  return {
    ok: true,
    rungs,
    unevenness: step === 0 ? 0 : Math.max(0, ...loads.slice(1).map((x, i) => Math.abs(x - loads[i]! - step) / step)),
    partial: base !== drill,
    notes,
  };
}

/** What keeps a ladder from being made, in words. */
export function ladderFault({ rungs, operators, goal }: LadderOptions): string | null {
  if (!Number.isInteger(rungs) || rungs < 2 || rungs > 16) return "A ladder has 2 to 16 rungs.";
  if (operators.length === 0)
    return "No operator is allowed: nothing could change from rung to rung. Allow at least one.";
  if (!(goal >= 1 && goal <= 4)) return "The goal is 1 to 4 times as hard as the whole drill.";
  return null;
}

/** The rows of a drill one after another, without blocks: chance and cycles come later. */
const rowsOf = (base: Checked): Line[] => [...linesOf(base.score.items)].map((item) => item.line);

/** The first rows of a drill as a drill of their own. */
function firstRows(base: Checked, count: number, tempo: number): string {
  return format(
    readText(plainScore(base.score, rowsOf(base).slice(0, count), { tempo: `${Math.round(tempo * 100)}%` })),
  );
}

/** First rungs: the first row, and its first exchange alone; slowly unless the school starts at full speed. */
function starts(base: Checked, school: School): Node[] {
  const slow = school.customs.power === "slow first" && base.header.tempo > SLOW_START;
  const tempo = slow ? SLOW_START : base.header.tempo;
  const first = firstRows(base, 1, tempo);
  const alone = vary(checkText(first, school), school, ["isolate"]).good[0];
  const texts = [[first, "The first row", 1] as const, ...(alone ? [[alone.text, alone.changed, 0] as const] : [])];
  const nodes = texts.map(([text, changed, rows]): Node => {
    const checked = checkText(text, school);
    return {
      text,
      checked,
      operator: null,
      changed: slow ? `${changed}; slowly` : changed,
      stage: 0,
      from: [],
      used: [],
      rows,
    };
  });
  const sound = nodes.filter((n) => n.checked.verdict !== "broken");
  if (sound.length > 0) return sound;
  const text = format(base.score);
  return [
    { text, checked: base, operator: null, changed: "The drill as it is", stage: 0, from: [], used: [], rows: null },
  ];
}

/** `rows`: how many rows of the drill it has; left out where something else changed. */
type Step = RungChange & { readonly rows?: number };

/**
 * What can come after a position: harder, of this stage or a later one. Stages come in with the
 * rungs, so that chance and force are not there on the second one.
 */
function steps(
  node: Node,
  layer: number,
  base: Checked,
  school: School,
  o: LadderOptions,
  random: () => number,
): Step[] {
  const reached = Math.ceil((o.order.length * (layer + 1)) / o.rungs);
  const from = Math.max(node.stage, o.order.indexOf("pairs"));
  const fits = (most: number) =>
    o.operators.filter((id) => {
      const stage = o.order.indexOf(stageOf(id));
      return stage >= from && stage < most && node.used.filter((u) => u === id).length < (MOST_USES[id] ?? 1);
    });
  const byChance = (all: readonly Candidate[]) => shuffled(all, random);
  const more = moreRows(node, base, school);
  const harder = (found: readonly Step[]) =>
    found.filter((v) => v.checked.load.total >= node.checked.load.total + LEAST_STEP && v.checked.verdict !== "broken");
  const some = (ids: readonly OperatorId[]) =>
    harder([...more, ...ids.flatMap((id) => few(candidates(node.checked, school, [id], byChance)))]);
  const now = some(fits(reached));
  // Where nothing of these stages is left, later ones come in before their time; force never does.
  return now.length > 0 || reached >= o.order.length - 1 ? now : some(fits(o.order.length - 1));
}

/** The first few that are not broken; the rest is not even checked. */
function few(all: Iterable<Variation>): Variation[] {
  const taken: Variation[] = [];
  for (const v of all) {
    if (v.checked.verdict !== "broken") taken.push(v);
    if (taken.length === EACH) break;
  }
  return taken;
}

/** The next rows of the drill come in. */
function moreRows(node: Node, base: Checked, school: School): Step[] {
  if (node.rows === null) return [];
  const all = rowsOf(base).length;
  const now = node.rows;
  return Array.from({ length: Math.min(MOST_ROWS, all - now) }, (_, i): Step => {
    const rows = now + i + 1;
    const text = firstRows(base, rows, node.checked.header.tempo);
    const changed =
      now === 0 ? "The whole first row" : i === 0 ? "One more row of the drill" : `${i + 1} more rows of the drill`;
    return { operator: "rows", parameters: { rows }, text, changed, checked: checkText(text, school), rows };
  }).filter((v) => now > 0 || v.rows === 1);
}
