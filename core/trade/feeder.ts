/** What a good feeder throws next: within the drill's art, and nothing that a class of it would not throw. */
import data from "./next-feeds.json" with { type: "json" };
import { inArt, isForeign, artOf } from "./art.ts";
import { inOwnWords } from "./own-words.ts";
import { withOwn } from "./trade.ts";
import type { Blow, CheckedExchange } from "../exchange/types.ts";
import type { MoveUse } from "../read/types.ts";
import type { Checked } from "../drill/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

/** The class of an exchange by which the next feed is chosen. */
export type Before = keyof typeof data.next;
/** The feeds that follow each class, best first. */
export const NEXT_FEEDS: Readonly<Record<Before, readonly string[]>> = data.next;

/** What an exchange began with, as the list of what comes next is ordered by. */
export function thrownIn({ feed, blow, feeder, before }: CheckedExchange): Before {
  if (feed?.move.cue === "cycle") return "cycle";
  if (!blow) return feed?.move.energy ? "push" : "hold";
  if (blow.path === "shoot") return "takedown";
  if (blow.tool === "blade") return `blade ${lineOf(blow)}`;
  if (blow.tool === "stick" || blow.tool === "butt") return `stick ${lineOf(blow)}`;
  const lead = before.find(({ actor }) => actor === feeder)?.lead === blow.side;
  return `${lead ? "lead" : "rear"} ${blow.limb === "leg" ? "leg" : "hand"}`;
}

/** What comes at somebody: a blow, a push or a hold, not a cue or a count of a cycle. */
export const isThrown = ({ move }: MoveUse): boolean =>
  move.attack !== undefined || move.energy !== undefined || (move.contact !== undefined && move.cue === undefined);

/** A blow from its maker's own side arrives at the other's opposite side. */
const lineOf = ({ path, incoming, side }: Blow) =>
  path === "thrust" ? "straight" : incoming === side ? "backhand" : "forehand";

/**
 * What a feeder of this drill may throw after something, best first: what the trade throws next, then what the drill
 * itself feeds. Nothing from another art; whether it reaches is the checker's to say.
 */
export function nextFeeds(before: Before, drill: Checked, vocabulary: Vocabulary): string[] {
  const art = artOf(drill);
  const shots = drill.exchanges.some(({ blow }) => blow?.path === "shoot");
  const pushes = before === "push";
  const own = drill.exchanges.flatMap(({ feed, feeder }) =>
    feed && feeder === drill.exchanges[0]!.feeder && (feed.move.energy !== undefined) === pushes && isThrown(feed)
      ? [feed.text]
      : [],
  );
  const usual = withOwn(NEXT_FEEDS[before], vocabulary)
    .filter((text) => inArt(text, art, vocabulary) && (shots || !NEXT_FEEDS.takedown.includes(text)))
    .map((text) => inOwnWords(text, drill.header.tradition, vocabulary))
    .filter((text) => !isForeign(text, drill, vocabulary));
  return [...new Set([...usual, ...own])];
}
