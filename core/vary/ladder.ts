/** A ladder: from one exchange to more than the whole drill, one change a rung, in even steps of load. */
import { check } from "../check/check.ts";
import type { Checked } from "../check/types.ts";
import { seeded, shuffled } from "../random/random.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import type { School } from "../school/school.ts";
import { withLines } from "./edit.ts";
import { evenPath, type PathNode } from "./even-path.ts";
import { OPERATORS, STAGES, stageOf, type OperatorId, type Stage } from "./operator-names.ts";
import { playOf, soundPart, vary, type Variation } from "./vary.ts";

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
export const LADDER_DEFAULTS: LadderOptions = {
  rungs: 8,
  seed: 1,
  operators: OPERATORS,
  order: STAGES,
  goal: 1.5,
  width: 4,
};

/** The stages as a school wants them: chance before tempo where it brings chance in early. */
export const stagesOf = ({ customs }: School): readonly Stage[] =>
  customs.chance === "late"
    ? ["parts", "pairs", "chains", "variety", "tempo", "uncertainty", "force"]
    : ["parts", "pairs", "chains", "variety", "uncertainty", "tempo", "force"];

export interface Rung {
  readonly text: string;
  /** null on the first rung. */
  readonly operator: OperatorId | "whole" | null;
  readonly changed: string;
  readonly checked: Checked;
  /** Others that can stand here: the same step from the rung before, another change. */
  readonly alternatives: readonly Variation[];
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
  readonly operator: OperatorId | "whole" | null;
  readonly changed: string;
  readonly stage: number;
  /** Places in the layer before. */
  readonly from: number[];
  /** Operators used on the way here. */
  readonly used: readonly string[];
}

/** A rung must be harder by this much to be felt as another. */
const LEAST_STEP = 0.15;
/** The same operator at most this often in one ladder. */
const MOST_USES = 2;
/** Most candidates of one operator that are tried from one position. */
const EACH = 3;
/** How many others are kept for a rung. */
const ALTERNATIVES = 5;
const SLOW_START = 0.4;

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
  const siblings = new Map<string, Variation[]>();
  const first = Math.min(...layers[0]!.map((n) => n.checked.load.total));
  const goal = Math.max(base.load.total * options.goal, first + options.rungs * LEAST_STEP);
  const random = seeded(options.seed);
  for (let l = 1; l < options.rungs; l++) {
    const target = first + ((goal - first) * l) / (options.rungs - 1);
    const next = new Map<string, Node>();
    for (const [i, node] of layers[l - 1]!.entries()) {
      yield (l - 1 + i / layers[l - 1]!.length) / options.rungs;
      const harder = steps(node, l === 1 ? base : null, school, options, random);
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
          operator: v.whole ? "whole" : v.operator,
          changed: v.changed,
          stage: Math.max(node.stage, v.whole ? 0 : options.order.indexOf(stageOf(v.operator))),
          from: [i],
          used: [...node.used, v.whole ? "whole" : v.operator],
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
  siblings: ReadonlyMap<string, readonly Variation[]>,
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
    return {
      text: n.text,
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

/** First rungs: single exchanges, or the drill itself, slowly unless the school starts at full speed. */
function starts(base: Checked, school: School): Node[] {
  const slow = school.customs.power === "slow first" && base.header.tempo > SLOW_START;
  const singles = vary(base, school, ["isolate"]).good.slice(0, 3);
  const texts =
    singles.length > 0
      ? singles.map((v) => [v.text, v.changed] as const)
      : [[format(base.score), "The drill as it is"] as const];
  return texts.map(([text, changed]) => {
    const score = parse(text);
    const slowed = slow ? withLines(score, (item) => item.line, { tempo: `${SLOW_START * 100}%` }) : format(score);
    const checked = check(parse(slowed), school);
    return {
      text: slowed,
      checked,
      operator: null,
      changed: slow ? `${changed}; slowly` : changed,
      stage: 0,
      from: [],
      used: [],
    };
  });
}

type Step = Variation & { readonly whole?: true };

/** What can come after a position: harder, of this stage or a later one, not the same operator again and again. */
function steps(node: Node, base: Checked | null, school: School, o: LadderOptions, random: () => number): Step[] {
  const allowed = o.operators.filter((id) => {
    const stage = o.order.indexOf(stageOf(id));
    return (
      stage >= Math.max(node.stage, o.order.indexOf("pairs")) && node.used.filter((u) => u === id).length < MOST_USES
    );
  });
  const { good } = vary(node.checked, school, allowed);
  const taken = new Map<OperatorId, number>();
  const some = shuffled(good, random).filter((v) => {
    const n = taken.get(v.operator) ?? 0;
    taken.set(v.operator, n + 1);
    return n < EACH;
  });
  const whole = base ? wholeDrill(node, base, school) : [];
  return [...whole, ...some].filter(
    (v) => v.checked.load.total >= node.checked.load.total + LEAST_STEP && v.checked.verdict !== "broken",
  );
}

/** From one exchange to all rows of the drill, at the tempo of the rung before. */
function wholeDrill(node: Node, base: Checked, school: School): Step[] {
  const tempo = `${Math.round(node.checked.header.tempo * 100)}%`;
  const text = format(parse(withLines(base.score, (item) => item.line, { tempo })));
  if (playOf(text) === playOf(node.text)) return [];
  return [
    {
      operator: "chain",
      parameters: {},
      text,
      changed: "All rows, one after another",
      checked: check(parse(text), school),
      whole: true,
    },
  ];
}
