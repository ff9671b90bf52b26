/** Blows at somebody whom the blow before has moved. */
import { type BodyState, type World, withBody } from "../body/state.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { launchFeed } from "./launch.ts";
import type { Feed } from "./types.ts";

const isMissing = ({ rule }: FindingDraft): boolean => rule === "out-of-reach" || rule === "too-close";

/** A person who was hit, as they stood before they showed it, and the blow. */
export interface Unhit {
  readonly state: BodyState;
  readonly by: string;
}

/**
 * Returns a blow on its way. Behind a blow that moves the one who is hit it is thrown twice, at the body that
 * reacts and at one that does not: what holds only for one of them is said, what fails for both is wrong.
 */
export function launchAtHit(
  feed: Feed,
  reacted: World,
  unhit: Unhit | null,
  range: Parameters<typeof launchFeed>[2],
): ReturnType<typeof launchFeed> {
  const reacting = launchFeed(feed, reacted, range);
  if (!unhit) return reacting;
  const other = launchFeed(feed, withBody(reacted, unhit.state), range);
  const misses = ({ findings }: typeof other) => findings.some(isMissing);
  if (misses(reacting) === misses(other)) return reacting;
  const short = misses(reacting);
  const chain = draft(feed.row, feed.use, "chain", {
    move: feed.use.text,
    first: unhit.by,
    code: short ? "reacts" : "misses",
  });
  const said = short ? reacting.findings.filter((f) => !isMissing(f)) : reacting.findings;
  return { ...reacting, findings: [chain, ...said] };
}
