/** What can come after a rung: operators of the stages that are due, and more rows of the drill. */
import type { Checked } from "../drill/types.ts";
import { shuffled } from "../random/random.ts";
import type { School } from "../policy/school.ts";
import { linesOf } from "../score/structure.ts";
import type { Score } from "../score/types.ts";
import { assessRows, readText } from "../answers/check-text.ts";
import { withHeader } from "../score/edit.ts";
import type { LadderOptions } from "./ladder-options.ts";
import { percent } from "../exchange/time.ts";
import { CHANGES } from "../vary/change-words.ts";
import { moreRows, rowsIn, type Step } from "./ladder-rows.ts";
import { stageOf, type OperatorId } from "../vary/operator-names.ts";
import type { Stage } from "../policy/stages.ts";
import { firstOf, type Candidate } from "../vary/operators/shared.ts";
import type { ToolId } from "../vary/tool-names.ts";
import { candidates, type Variation } from "../vary/vary.ts";

/** A rung must be harder by this much to be felt as another. */
export const LEAST_STEP = 0.15;
/** The same operator at most this often in one ladder; where nothing is said, once. */
const MOST_USES: Partial<Record<OperatorId, number>> = {
  "tempo-up": 3,
  "add-return": 2,
  chain: 2,
  "responders-choice": 2,
  calls: 3,
  "feeders-choice": 3,
};
/** A new thing slows the drill down by as much. */
const TEMPO_STEP = 0.11;
/** No more at once, share of full speed. */
const MOST_FASTER = 0.2;
/** Tempos are said in fives. */
const IN_FIVES = 20;

/** A position from which a ladder goes on. */
interface StepFrom {
  readonly text: string;
  readonly checked: () => Checked;
  readonly stage: number;
  readonly used: readonly string[];
  readonly rows: number;
}

/** What was used on the way to a position, and its stage, behind one more step: what belongs to the drill is no stage. */
export function stepped(
  { stage, used }: Pick<StepFrom, "stage" | "used">,
  { operator, ownTempo }: Pick<Step, "operator" | "ownTempo">,
  order: readonly Stage[],
): Pick<StepFrom, "stage" | "used"> {
  if (ownTempo) return { stage, used: [...used, ownTempo === "there" ? OWN_TEMPO : "nearer"] };
  return {
    stage: operator === "rows" ? stage : Math.max(stage, order.indexOf(stageOf(operator))),
    used: [...used, operator],
  };
}
/** The drill has come to its own tempo. */
const OWN_TEMPO = "own tempo";

/** How many stages have come in by a layer: chance and force are not there on the second rung. */
export const reachedAt = (order: readonly Stage[], layer: number, rungs: number): number =>
  Math.ceil((order.length * (layer + 1)) / rungs);

/** What stays the same all the way up. */
export interface Climb {
  /** The sound part of the drill, which the rungs grow to. */
  readonly base: Checked;
  readonly school: School;
  readonly options: LadderOptions;
  readonly random: () => number;
}

/**
 * What can come after a position: harder, of this stage or a later one. Stages come in with the
 * rungs, so that chance and force are not there on the second one.
 */
export function steps(node: StepFrom, layer: number, { base, school, options: o, random }: Climb): Step[] {
  const now = node.checked();
  // The drill itself comes first: what makes it harder waits until all of it is there.
  const complete = node.rows >= rowsIn(base);
  const reached = reachedAt(o.order, layer, o.rungs);
  const from = Math.max(node.stage, o.order.indexOf("pairs"));
  const fits = (most: number) =>
    o.operators.filter((id) => {
      const stage = o.order.indexOf(stageOf(id));
      // Tempo comes back behind every new thing, which lowers it.
      const again = stage < node.stage && stageOf(id) === "tempo" && o.order[node.stage] !== "force";
      return (
        // Force is a step of its own, and the last; never before the tempo of the drill is there.
        (stageOf(id) !== "force" || (layer === o.rungs - 1 && now.header.tempo >= base.header.tempo - TEMPO_STEP)) &&
        (again || (stage >= from && stage < most)) &&
        node.used.filter((u) => u === id).length < (MOST_USES[id] ?? 1)
      );
    });
  const byChance = (all: readonly Candidate[]) =>
    shuffled(
      all.filter((c) => c.operator !== "other-tool" || o.tools.includes(c.parameters.tool as ToolId)),
      random,
    );
  const more = moreRows(now, node.rows, base, school);
  const harder = (found: readonly Step[]) =>
    found.filter((v) => v.load.total >= now.load.total + LEAST_STEP && v.verdict !== "broken");
  const some = (ids: readonly OperatorId[]) => [
    // What belongs to the drill comes in, felt as harder or not.
    ...more.filter((v) => v.verdict !== "broken" && v.load.total > now.load.total),
    ...harder(
      ids
        .flatMap((id) => few(candidates(now, school, [id], byChance), o.each))
        .map((v) => ({ ...named(v, base), rows: sameRows(now, readText(v.text)) ? node.rows : rowsIn(base) })),
    ),
  ];
  // Then its own tempo, before anything is added to it.
  const quicker = complete && !node.used.includes(OWN_TEMPO) ? towardsOwnTempo(now, node.rows, base, school) : [];
  if (!complete || quicker.length > 0) return [...some([]), ...quicker];
  const found = some(fits(reached));
  // Where nothing of these stages is left, later ones come in before their time; force never does.
  return found.length > 0 || reached >= o.order.length - 1 ? found : some(fits(o.order.length - 1));
}

/** The drill as it stands nearer to its own tempo, as far as all of it is in time; none where it is there. */
function towardsOwnTempo(now: Checked, rows: number, base: Checked, school: School): Step[] {
  const ceilings = now.exchanges.flatMap((e) => (e.ceiling !== null && e.ceiling > 0 ? [e.ceiling] : []));
  const own = Math.min(base.header.tempo, ...ceilings.map((most) => Math.floor(most * IN_FIVES) / IN_FIVES));
  const tempo = Math.min(own, now.header.tempo + MOST_FASTER);
  if (tempo <= now.header.tempo + SAME_TEMPO) return [];
  const there = tempo >= own - SAME_TEMPO;
  const step: Step = {
    operator: "tempo-up",
    parameters: { tempo: `${percent(tempo)}%` },
    changed: CHANGES.tempo(`${percent(tempo)}%`, there ? "own" : "up"),
    ...assessRows(withHeader(now.score, { tempo: `${percent(tempo)}%` }), school),
    rows,
    ownTempo: there ? "there" : "nearer",
  };
  return step.verdict === "broken" || step.load.total <= now.load.total ? [] : [step];
}

/** A tempo that the drill had already is one to come back to. */
const named = (v: Variation, { header }: Checked): Variation =>
  v.operator === "tempo-up" && Math.abs(v.tempo - header.tempo) < SAME_TEMPO
    ? { ...v, changed: CHANGES.tempo(`${percent(v.tempo)}%`, "back") }
    : v;
const SAME_TEMPO = 1e-9;

/** The first few that are not broken; the rest is not even checked. */
const few = (all: Iterable<Variation>, most: number): Variation[] => firstOf(all, most, (v) => v.verdict !== "broken");

/** More rows of the drill can still come behind these: as many as before, in no block. */
const sameRows = (before: Checked, now: Score): boolean =>
  !now.items.some((item) => item.kind === "block") &&
  [...linesOf(now.items)].length === [...linesOf(before.score.items)].length;
