/** A feed with nothing before it, on its own. */
import { displacements } from "./move-body.ts";
import type { Feed } from "./types.ts";

/** `beatUses`: all that is done in the same beat; the feed alone where it is not said. */
export const plainFeed = (
  feed: Pick<Feed, "use" | "row" | "actor" | "receiver"> & Partial<Pick<Feed, "beatUses">>,
): Feed => ({
  beatUses: [feed.use],
  companions: (feed.beatUses ?? []).filter(
    (use) => use !== feed.use && (displacements(use).length > 0 || use.move.contact !== undefined),
  ),
  ...feed,
  isReturn: false,
  before: [],
  after: [],
  towards: null,
  order: 0,
  unmet: 0,
  ahead: 0,
  onPad: false,
  feints: 0,
  fromCorner: false,
  first: true,
});
