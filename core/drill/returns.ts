/** Returns behind an answer: each must land by itself, whether or not the next turn answers it. */
import type { Walk } from "./pending.ts";
import { withBody, type BodyState, type World } from "../body/state.ts";
import { launchFeed } from "../exchange/launch.ts";
import { afterReaction, reactionTo } from "../exchange/reactions.ts";
import type { Feed } from "../exchange/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { Effect } from "../words/types.ts";

/** The bodies once what was sent back has gone, and how the last of it moved the one who was hit. */
export interface Ahead {
  readonly world: World;
  /** The partner before any return hit them, and what hit them last. */
  readonly unhit: BodyState | null;
  readonly hitBy: string | null;
  /** What landed last, before they have shown it. */
  readonly hit: { readonly by: string; readonly effect: Effect } | null;
}

/** Nothing has been sent back yet. */
export const sentFrom = (world: World): Ahead => ({ world, unhit: null, hitBy: null, hit: null });

/** Sends a return on its way, and returns what is ahead after it. */
export function sendBack(feed: Feed, from: Ahead, walk: Walk): Ahead {
  const ahead = shown(from, feed);
  const { blow, findings, world } = throwReturn(feed, ahead, walk);
  walk.findings.push(...findings);
  const lands = !findings.some((f) => f.rule === "out-of-reach");
  const reaction = lands ? reactionTo(feed.use, blow?.zone ?? null) : null;
  const behind = walk.exchanges.at(-1);
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
  return { world: withBody(world, reacting), unhit: unhit ?? struck, hitBy: hit.by, hit: null };
}

const isMissing = ({ rule }: FindingDraft): boolean => rule === "out-of-reach" || rule === "too-close";

/**
 * Sends a return on its way. Behind a blow that moves the one who is hit it is thrown twice, at the body that
 * reacts and at one that does not: what holds only for one of them is said, what fails for both is wrong.
 */
function throwReturn(feed: Feed, { world, unhit, hitBy }: Ahead, walk: Walk) {
  const { range } = walk.setting.header;
  const reacting = launchFeed(feed, world, range);
  if (!unhit) return reacting;
  const still = withBody(world, unhit);
  const other = launchFeed(feed, still, range);
  const misses = ({ findings }: typeof other) => findings.some(isMissing);
  if (misses(reacting) === misses(other)) return reacting;
  const params = { move: feed.use.text, first: hitBy ?? "", code: misses(reacting) ? "reacts" : "misses" };
  walk.findings.push(draft(walk.row, feed.use, "chain", params));
  return misses(reacting) ? { ...reacting, findings: reacting.findings.filter((f) => !isMissing(f)) } : reacting;
}
