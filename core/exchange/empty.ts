/** A checked exchange in which nothing was found out: the rest is filled in by who makes it. */
import type { Setting } from "./exchange.ts";
import type { CheckedExchange } from "./types.ts";

type Base = Pick<
  CheckedExchange,
  "from" | "to" | "row" | "feed" | "feedText" | "feeder" | "responder" | "answerSpan" | "before" | "after"
>;

export const emptyExchange = (base: Base, { label, section, pass }: Setting): CheckedExchange => ({
  ...base,
  label,
  section,
  pass,
  beat: [],
  answer: [],
  verdict: "unread",
  margin: null,
  robust: 1,
  ceiling: null,
  times: null,
  layers: [],
  ends: null,
  returns: [],
  followUps: [],
  findings: [],
  blow: null,
  contact: null,
});
