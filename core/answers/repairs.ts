/**
 * Repairs of a finding, computed when somebody asks for them: each candidate is put into the text and the
 * whole of it is checked again, so that what is offered holds, for these bodies and under the drill's rules.
 */
import { rowOfLine } from "../base/units.ts";
import { rankAnswers } from "./answers.ts";
import { candidatesOf } from "./repair-candidates.ts";
import { hasUnread, readAs } from "./read-as.ts";
import type { Checked } from "../drill/types.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Edit, Finding } from "../findings/finding.ts";
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { headerRows } from "../score/edit.ts";
import { parse, plain } from "../score/parse.ts";

/** One change of the text; edits count from its start. */
export interface Repair {
  readonly label: string;
  readonly edits: readonly Edit[];
  /** The whole text with it. */
  readonly score: string;
}

/** A candidate before it is checked. */
export interface Candidate {
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** What a repair is looked for with. */
export interface Broken {
  /** The text that was checked, with plain line ends. */
  readonly text: string;
  readonly checked: Checked;
  readonly finding: Finding;
  /** The exchange it belongs to; null where it belongs to none. */
  readonly exchange: CheckedExchange | null;
  readonly school: School;
}

/** Most repairs offered for one finding, and most candidates tried for them. */
const OFFERED = 3;
const TRIED = 24;

/** The repairs of a finding that hold, best first; `text` is what was checked. */
export function repairsOf(text: string, checked: Checked, finding: Finding, school: School): Repair[] {
  // What is shown wrong is meant to be wrong.
  if (finding.shownWrong) return [];
  const broken: Broken = { text: plain(text), checked, finding, exchange: exchangeOf(checked, finding), school };
  const isUnderstood = !hasUnread(checked, finding.line);
  const found: Repair[] = [];
  const isNew = (score: string) => score !== broken.text && found.every((other) => other.score !== score);
  let tried = 0;
  // An answer behind words that nobody understood makes them worse.
  const makes = isUnderstood || finding.rule !== "no-answer";
  for (const { label, edits } of makes ? candidatesOf(broken, answersFor(broken)) : []) {
    if (found.length >= OFFERED || tried++ >= TRIED) break;
    const score = applied(broken.text, edits);
    if (isNew(score) && holds(broken, score)) found.push({ label, edits, score });
  }
  if (!isUnderstood) found.push(...readings(broken).filter(({ score }) => isNew(score)));
  return found;
}

/** The row as what it may mean, where all of it is understood then; what it is worth is said by the checker. */
function readings(broken: Broken): Repair[] {
  return readAs(broken)
    .map(({ label, edits }) => ({ label, edits, score: applied(broken.text, edits) }))
    .filter(({ score }) => !hasUnread(checkFor(parse(score), broken.school), broken.finding.line));
}

/** The exchange in which a finding was made. */
function exchangeOf({ exchanges }: Checked, { rule, from, to }: Finding): CheckedExchange | null {
  const here = (e: CheckedExchange) =>
    e.findings.some((f) => f.rule === rule && e.row.from + f.from === from && e.row.from + f.to === to);
  return exchanges.find(here) ?? null;
}

/** Answers that the trade and the geometry have for the feed of the exchange, best first. */
function answersFor({ checked, exchange, school }: Broken): readonly string[] {
  if (!exchange?.feed) return [];
  return rankAnswers(headerRows(checked.score), `${exchange.feeder} ${exchange.feedText}`, school)
    .filter((answer) => answer.exchange.verdict === "valid")
    .map((answer) => answer.text);
}

/** A text with edits that do not overlap. */
export function applied(text: string, edits: readonly Edit[]): string {
  let result = text;
  for (const { from, to, insert } of [...edits].sort((a, b) => b.from - a.from))
    result = result.slice(0, from) + insert + result.slice(to);
  return result;
}

/**
 * True where the finding is gone from its row, nothing graver has come in its place, and the exchange works.
 */
function holds({ checked, finding, exchange, school }: Broken, score: string): boolean {
  const after = checkFor(parse(score), school);
  const count = (all: readonly Finding[], severity: Finding["severity"]) =>
    all.filter((f) => f.severity === severity).length;
  const errors = count(after.findings, "error") - count(checked.findings, "error");
  const same = (all: readonly Finding[]) => all.filter((f) => f.rule === finding.rule).length;
  if (same(after.findings) >= same(checked.findings)) return false;
  if (finding.severity === "error" ? errors >= 0 : errors > 0) return false;
  const works = ({ verdict }: CheckedExchange) => verdict === "valid" || verdict === "risky";
  if (!exchange) {
    // Of a row, or of a return: every exchange of that row must hold with it.
    const row = checked.score.rows[rowOfLine(finding.line)];
    return checked.exchanges.every((e, i) => e.row !== row || !after.exchanges[i] || works(after.exchanges[i]));
  }
  const now = after.exchanges[checked.exchanges.indexOf(exchange)];
  return now !== undefined && works(now) && !now.findings.some((f) => f.rule === finding.rule && f.severity !== "note");
}
