/** The variation operators and what an instructor calls them. */
export const OPERATORS = ["isolate", "chain", "other-answer", "other-height", "mirror"] as const;
export type OperatorId = (typeof OPERATORS)[number];
export const OPERATOR_NAMES: Readonly<Record<OperatorId, string>> = {
  isolate: "One exchange alone",
  chain: "Join two lines",
  "other-answer": "Another valid answer",
  "other-height": "Another height",
  mirror: "Other side",
};
