/** What is said about a score: rule and parameters; words come from the catalogue. */
import type { Row, Span } from "../score/types.ts";
import { message, RULES, type Params, type RuleId, type Severity } from "./rules.ts";

/** One edit of the text: positions count from the start of the row. */
export interface Edit extends Span {
  readonly insert: string;
}
/** A way to mend a finding, offered by the editor. */
export interface Repair {
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** A finding inside a row; the place in the whole text is added at the end. */
export interface FindingDraft extends Span {
  readonly row: Row;
  readonly rule: RuleId;
  readonly severity: Severity;
  readonly params: Params;
  readonly repairs: readonly Repair[];
}

export interface Finding extends Span {
  readonly rule: RuleId;
  readonly severity: Severity;
  readonly message: string;
  /** 1-based. */
  readonly line: number;
  readonly column: number;
  readonly params: Params;
  /** Edits count from the start of the text. */
  readonly repairs: readonly Repair[];
}

export function draft(
  row: Row,
  span: Span,
  rule: RuleId,
  params: Params = {},
  repairs: readonly Repair[] = [],
): FindingDraft {
  return { row, from: span.from, to: span.to, rule, severity: RULES[rule].severity, params, repairs };
}

/** Gives a finding its words and its place in the whole text. */
export function finish(d: FindingDraft): Finding {
  const base = d.row.from;
  return {
    rule: d.rule,
    severity: d.severity,
    message: message(d.rule, d.params),
    from: base + d.from,
    to: base + d.to,
    line: d.row.index + 1,
    column: d.from + 1,
    params: d.params,
    repairs: d.repairs.map((r) => ({
      label: r.label,
      edits: r.edits.map((e) => ({ from: base + e.from, to: base + e.to, insert: e.insert })),
    })),
  };
}
