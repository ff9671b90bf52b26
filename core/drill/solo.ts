/** A line of one person alone: nobody is reached and nobody answers; hands, weight, recovery and balance count. */
import { keysOf } from "../base/keys.ts";
import { asTheyStand, type Walk } from "./pending.ts";
import { emptyExchange } from "../exchange/empty.ts";
import { poses } from "../exchange/exchange.ts";
import { strikeAlone } from "../exchange/launch.ts";
import { applySetUp, limbFindings } from "../exchange/limbs.ts";
import { balanceAlone } from "../exchange/keeps-balance.ts";
import { brokenRules } from "../exchange/restrictions.ts";
import { verdictOf } from "../exchange/verdict.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { DoneBeat, ReadPlay } from "../read/types.ts";
import { partnerOf } from "../read/line-reader.ts";
import { withBody, withEach, withState, type World } from "../body/state.ts";
import type { Actor } from "../score/types.ts";

/** Walks all turns of a line; each is one exchange of its own. */
export function walkSolo(play: ReadPlay, start: World, walk: Walk): void {
  let world = start;
  for (const turn of play.turns)
    for (const done of turn.alternatives)
      for (const read of done) {
        const { actor } = read;
        const before = poses(world);
        const findings: FindingDraft[] = [];
        const beats = read.beats.map((_, i) => {
          const beat = asTheyStand(read, world, walk, i)[i]!;
          const done = alone(beat, actor, world, walk);
          findings.push(...done.findings);
          world = done.world;
          return beat;
        });
        const first = beats.find((beat) => beat.uses.length > 0)?.uses[0] ?? null;
        const { from, to } = read;
        walk.exchanges.push({
          ...emptyExchange(
            {
              from,
              to,
              row: walk.row,
              feed: first,
              feedText: beats.map((beat) => beat.text).join(", "),
              feeder: actor,
              responder: actor,
              answerSpan: null,
              before,
              after: poses(world),
            },
            walk.setting,
          ),
          beat: beats.flatMap((beat) => beat.uses),
          verdict: beats.some((beat) => beat.faulty) ? "unread" : verdictOf(findings),
          findings,
        });
      }
  // Alone there is no distance to keep: the next row starts where there is room.
  walk.end = withEach(world, (state) => {
    const { x, y } = start[state.actor]!;
    return withState(state, { x, y });
  });
}

function alone(beat: DoneBeat, actor: Actor, start: World, { row, setting }: Walk) {
  let struck = start[actor]!;
  const other = partnerOf(actor, keysOf(start), null);
  const findings = limbFindings(beat.uses, row, start, actor, null);
  for (const use of beat.uses) {
    findings.push(...brokenRules(use, row, struck, setting.header, null));
    if (!use.move.attack || use.feint) continue;
    const blow = strikeAlone(use, row, struck);
    findings.push(...blow.findings);
    struck = blow.state;
  }
  const hit = withBody(start, struck);
  // What would take hold of a partner works on the own arm, a ring, or the air.
  const others = beat.uses.filter((use) => !use.move.attack);
  const world = others.length > 0 ? applySetUp(others.map(alonePart), hit, actor, other) : hit;
  const over = balanceAlone(others, struck, world[actor]!);
  if (over !== null) findings.push(draft(row, beat, "off-balance", { cm: over }));
  return { findings, world };
}

const alonePart = (use: DoneBeat["uses"][number]) => ({ ...use, move: { ...use.move, contact: undefined } });
