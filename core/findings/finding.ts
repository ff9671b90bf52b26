/** What is said about a score: rule and parameters; words come from the catalogue. */
import { lineNumber, type LineNumber } from "../base/units.ts";
import type { Row, Span } from "../score/types.ts";
import { message, RULES, type Params, type RuleId, type Severity } from "./rules.ts";

/** One edit of a text. */
export interface Edit extends Span {
  readonly insert: string;
}
/** A finding inside a row; the place in the whole text is added at the end. */
export interface FindingDraft extends Span {
  readonly row: Row;
  readonly rule: RuleId;
  readonly severity: Severity;
  readonly params: Params;
  /** It is said of a row that shows how it goes wrong: a note there, whatever a school thinks of the rule. */
  readonly shownWrong?: true;
}

/** A finding with its words and its place in the text. */
export interface Finding extends Span {
  readonly rule: RuleId;
  readonly severity: Severity;
  readonly message: string;
  /** 1-based. */
  readonly line: LineNumber;
  readonly column: number;
  readonly params: Params;
  /** It is said of a row that shows how it goes wrong. */
  readonly shownWrong?: true;
}

/** Returns a finding in a row, with the severity of its rule. */
export const draft = (row: Row, span: Span, rule: RuleId, params: Params = {}): FindingDraft => ({
  row,
  from: span.from,
  to: span.to,
  rule,
  severity: RULES[rule].severity,
  params,
});

/** Gives a finding its words and its place in the whole text. */
export function finish(d: FindingDraft): Finding {
  const base = d.row.from;
  return {
    rule: d.rule,
    severity: d.severity,
    message: message(d.rule, d.params),
    from: base + d.from,
    to: base + d.to,
    line: lineNumber(d.row.index),
    column: d.from + 1,
    params: d.params,
    ...(d.shownWrong ? { shownWrong: true } : {}),
  };
}
