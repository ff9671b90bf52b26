/** A line of one person alone: nobody is reached and nobody answers; hands, weight, recovery and balance count. */
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
import type { World } from "../body/state.ts";
import type { Actor } from "../score/types.ts";

/** Walks all turns of a line; each is one exchange of its own. */
export function walkSolo(play: ReadPlay, world: World, walk: Walk): void {
  const start = Object.fromEntries(Object.values(world).map(({ actor, x, y }) => [actor, { x, y }]));
  for (const turn of play.turns)
    for (const done of turn.alternatives)
      for (const read of done) {
        const { actor } = read;
        const before = poses(world);
        const findings: FindingDraft[] = [];
        const beats = read.beats.map((_, i) => {
          const beat = asTheyStand(read, world, walk, i)[i]!;
          findings.push(...alone(beat, actor, world, walk));
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
  for (const state of Object.values(world)) Object.assign(state, start[state.actor]);
  walk.end = world;
}

function alone(beat: DoneBeat, actor: Actor, world: World, { row, setting }: Walk): FindingDraft[] {
  const state = world[actor]!;
  const other = partnerOf(actor, Object.keys(world) as Actor[], null);
  const found = limbFindings(beat.uses, row, world, actor, null);
  for (const use of beat.uses) {
    found.push(...brokenRules(use, row, state, setting.header, null));
    if (use.move.attack && !use.feint) found.push(...strikeAlone(use, row, state));
  }
  // What would take hold of a partner works on the own arm, a ring, or the air.
  const others = beat.uses.filter((use) => !use.move.attack);
  if (others.length > 0) applySetUp(others.map(alonePart), world, actor, other);
  const over = balanceAlone(others, state, world[actor]!);
  if (over !== null) found.push(draft(row, beat, "off-balance", { cm: over }));
  return found;
}

const alonePart = (use: DoneBeat["uses"][number]) => ({ ...use, move: { ...use.move, contact: undefined } });
