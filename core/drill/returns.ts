/** Returns behind an answer: each must land by itself, whether or not the next turn answers it. */
import type { Walk } from "./pending.ts";
import { withBody, type World } from "../body/state.ts";
import { launchAtHit, type Unhit } from "../exchange/at-hit.ts";
import { afterReaction, reactionTo } from "../exchange/reactions.ts";
import { intoGuard } from "../exchange/openings.ts";
import type { Feed } from "../exchange/types.ts";
import type { Effect } from "../words/types.ts";

/** The bodies once what was sent back has gone, and how the last of it moved the one who was hit. */
export interface Ahead {
  readonly world: World;
  /** The partner before any return hit them, and what hit them last. */
  readonly unhit: Unhit | null;
  /** What landed last, before they have shown it. */
  readonly hit: { readonly by: string; readonly effect: Effect } | null;
}

/** Nothing has been sent back yet. */
export const sentFrom = (world: World): Ahead => ({ world, unhit: null, hit: null });

/** Sends a return on its way, and returns what is ahead after it. */
export function sendBack(feed: Feed, from: Ahead, walk: Walk): Ahead {
  const ahead = shown(from, feed);
  const { blow, findings, world } = launchAtHit(feed, ahead.world, ahead.unhit, walk.setting.header.range);
  walk.findings.push(...findings);
  const lands = !findings.some((f) => f.rule === "out-of-reach");
  const reaction = lands ? reactionTo(feed.use, blow?.zone ?? null) : null;
  const behind = walk.exchanges.at(-1);
  if (lands && blow && behind) walk.findings.push(...intoGuard(feed, blow, ahead.world[feed.receiver]!, behind));
  // What struck at a cue is its answer already.
  if (behind && !behind.answer.includes(feed.use)) {
    const returns = [...behind.returns, { use: feed.use, lands, reaction }];
    walk.exchanges[walk.exchanges.length - 1] = { ...behind, returns };
  }
  return { ...ahead, world, hit: reaction && { by: feed.use.text, effect: reaction } };
}

/** The one who was hit shows it before the next return comes. */
function shown(ahead: Ahead, { actor, receiver }: Feed): Ahead {
  const { hit, unhit, world } = ahead;
  if (!hit) return ahead;
  const struck = world[receiver]!;
  const reacting = afterReaction(struck, hit.effect, world[actor]!);
  return { world: withBody(world, reacting), unhit: { state: unhit?.state ?? struck, by: hit.by }, hit: null };
}
