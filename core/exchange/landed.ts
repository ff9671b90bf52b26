/** A feed that is taken as landed: nobody answers it, and the row goes on from what it does to who is hit. */
import { openState, withBody, withState, type World } from "../body/state.ts";
import { emptyExchange } from "./empty.ts";
import { poses, type Done, type Setting } from "./exchange.ts";
import { launchFeed } from "./launch.ts";
import { applyAll, applySetUp } from "./limbs.ts";
import { afterReaction, REACTION_WORDS, reactionTo } from "./reactions.ts";
import type { Blow, Feed } from "./types.ts";
import { verdictOf } from "./verdict.ts";
import type { DoneBeat } from "../read/types.ts";

/** Returns the feed as it landed, what is done from there, and the bodies after it. */
export function landed(feed: Feed, from: readonly DoneBeat[], world: World, setting: Setting): Done {
  const { use, row, actor, receiver } = feed;
  const {
    blow,
    findings,
    world: thrown,
  } = use.move.contact
    ? { blow: null, findings: [], world: applySetUp(feed.beatUses, world, actor, receiver) }
    : launchFeed(feed, world, setting.header.range);
  const hit = effectOf(feed, blow);
  const { world: after, says } = hit === null ? { world: thrown, says: "It lands." } : shown(hit, feed, thrown);
  const done = applyAll(feed.after, after, actor, receiver);
  // Blows that they send back are feeds of their own.
  const strikes = from.findIndex((beat) => beat.uses.some(({ move }) => move.attack));
  const then = strikes < 0 ? from : from.slice(0, strikes);
  const last = then[then.length - 1];
  const uses = then.flatMap((beat) => beat.uses);
  const exchange = {
    ...emptyExchange(
      {
        from: use.from,
        to: last?.to ?? use.to,
        row,
        feed: use,
        feedText: use.text,
        feeder: actor,
        responder: receiver,
        answerSpan: last ? { from: then[0]!.from, to: last.to } : null,
        before: poses(world),
        after: poses(done),
      },
      setting,
    ),
    beat: uses,
    answer: uses,
    answerText: then.map((beat) => beat.text).join(", "),
    verdict: verdictOf(findings),
    says,
    findings,
    blow,
    lands: true as const,
  };
  return { exchange, world: done };
}

/** What a feed does to who is hit: a reaction, or the floor. */
type Hit = NonNullable<ReturnType<typeof reactionTo>> | "down";

function effectOf({ use }: Feed, blow: Blow | null): Hit | null {
  if (use.move.fells || blow?.path === "shoot") return "down";
  return reactionTo(use, blow?.zone ?? null);
}

function shown(hit: Hit, { actor, receiver }: Feed, world: World): { world: World; says: string } {
  const struck = world[receiver]!;
  if (hit !== "down") {
    const after = withBody(world, afterReaction(struck, hit, world[actor]!));
    return { world: after, says: `It lands: ${REACTION_WORDS[hit]}.` };
  }
  // On the floor they are over neither foot.
  const down = openState(withState(struck, { unrecovered: "down" }));
  return { world: withBody(world, down), says: `It lands: ${receiver} goes down.` };
}
