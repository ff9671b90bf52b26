/**
 * A checked exchange in which nothing was found out: the rest is filled in by who makes it. Fields are
 * written one by one, since an object of so many that is spread into another is slow to make and to read.
 */
import type { Setting } from "./exchange.ts";
import type { CheckedExchange } from "./types.ts";

type Base = Pick<
  CheckedExchange,
  "from" | "to" | "row" | "feed" | "feedText" | "feeder" | "responder" | "answerSpan" | "before" | "after"
>;

/** Returns an exchange in which nothing was judged. */
export const emptyExchange = (base: Base, { label, section, pass }: Setting): CheckedExchange => ({
  from: base.from,
  to: base.to,
  row: base.row,
  feed: base.feed,
  feedText: base.feedText,
  feeder: base.feeder,
  responder: base.responder,
  answerSpan: base.answerSpan,
  before: base.before,
  after: base.after,
  label,
  section,
  pass,
  beat: [],
  answer: [],
  answerText: "",
  verdict: "unread",
  margin: null,
  robust: 1,
  ceiling: null,
  times: null,
  layers: [],
  ends: null,
  returns: [],
  followUps: [],
  pads: [],
  says: null,
  findings: [],
  blow: null,
  contact: null,
});
