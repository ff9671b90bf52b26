/** A feed with nothing before it, on its own. */
import type { Feed } from "./types.ts";

/** `beatUses`: all that is done in the same beat; the feed alone where it is not said. */
export const plainFeed = (
  feed: Pick<Feed, "use" | "row" | "actor" | "receiver"> & Partial<Pick<Feed, "beatUses">>,
): Feed => ({
  beatUses: [feed.use],
  ...feed,
  isReturn: false,
  before: [],
  gained: null,
  feints: 0,
  hidden: 0,
  first: true,
});
