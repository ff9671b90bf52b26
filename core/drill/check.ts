/** Score to checked score: every verdict, finding and state, from geometry and data. */
import type { Checked, ScoreVerdict } from "./types.ts";
import { AllFound, SharesFound, type Found } from "./found.ts";
import { loadOf, type Load } from "./load.ts";
import { prepare, titledHeader, type Bodies, type Prepared } from "./prepare.ts";
import { frameFindings } from "./safety.ts";
import { graver, lateIn, type LineShare } from "../policy/shares.ts";
import { START, walkItems, type Pass } from "./score-walk.ts";
import { draft, finish, type Finding, type FindingDraft } from "../findings/finding.ts";
import type { Header, HeaderFault } from "../score/header.ts";
import type { Actor, Row, Score } from "../score/types.ts";
import { defaultSchool, graded, type School } from "../policy/school.ts";

export type { Bodies } from "./prepare.ts";

/** Checks a whole score. Never throws for any text. */
export function check(score: Score, school: School = defaultSchool(), bodies: Bodies = {}): Checked {
  const prepared = prepare(score, school, bodies);
  const found = new AllFound(prepared.header, school);
  const { closure } = walked(score, school, prepared, found);
  const findings = collect(found, school);
  const { header, distance } = prepared;
  return {
    score,
    header: titledHeader(prepared, score),
    verdict: scoreVerdict(findings),
    exchanges: found.exchanges,
    findings,
    closure,
    load: loadOf(score, header, found.shares, school.load),
    distance,
  };
}

/** What a search asks of each of the many scores that it looks at. */
export interface Assessed {
  readonly verdict: ScoreVerdict;
  readonly load: Load;
  /** Share of full speed. */
  readonly tempo: number;
  /** Of A and B at the start, m. */
  readonly distance: number;
  /** What each line adds, in the order of the text. */
  readonly shares: readonly LineShare[];
}

/** Places of the lines that hold an error, from 0. */
export function wrongLines({ shares, tempo }: Assessed, school: School): Set<number> {
  const wrong = new Set<number>();
  for (const [i, share] of shares.entries())
    if (graver(share.worst, lateIn(share, tempo, school)) === "error") wrong.add(i);
  return wrong;
}

/** The verdict and the load that `check` gives, without exchanges and words; known lines cost next to nothing. */
export function assess(score: Score, school: School, bodies: Bodies = {}): Assessed {
  const prepared = prepare(score, school, bodies);
  const { header, distance } = prepared;
  const found = new SharesFound(header, school);
  walked(score, school, prepared, found);
  const verdict = found.worst === "error" ? "broken" : found.worst === "risk" ? "risky" : "sound";
  const { shares } = found;
  return { verdict, load: loadOf(score, header, shares, school.load), tempo: header.tempo, distance, shares };
}

/** One walk through a score with all that is said of its rows and its frame. */
function walked(score: Score, school: School, { header, faults, frame, key }: Prepared, found: Found): Pass {
  const pass: Pass = { header, school, key, frame, found, closure: null, branchEnds: [] };
  for (const { row, fault } of score.faults)
    found.say(draft(row, fault, "syntax", { code: fault.code, found: fault.found }));
  for (const fault of faults) found.say(headerFinding(fault));
  const set = unknownSet(score, header, school);
  if (set) found.say(headerFinding(set));
  walkItems(score.items, pass, START, null);
  if (found.shares.every((share) => share.exchanges === 0) && score.faults.length === 0)
    found.say(draft(score.rows[score.rows.length - 1]!, { from: 0, to: 0 }, "syntax", { code: "no-play" }));
  found.say(
    ...frameFindings(
      header,
      rowOf(score),
      found.shares.some((share) => share.shoots),
      found.shares.some((share) => share.armed),
    ),
  );
  return pass;
}

const HEADER_NOTES = new Set(["header-key"]);

function headerFinding(fault: HeaderFault): FindingDraft {
  const params = { code: fault.code, value: fault.span.text, key: fault.span.text, known: fault.known.join(", ") };
  const { body } = fault.row.content;
  if (HEADER_NOTES.has(fault.code))
    return draft(fault.row, fault.span, "header", { ...params, key: body.kind === "header" ? body.key.text : "" });
  return { ...draft(fault.row, fault.span, "header", params), severity: "error", rule: "header" };
}

/** A numbering set that the school does not have: nothing else is taken in its place unsaid. */
function unknownSet(score: Score, header: Header, { vocabulary }: School): HeaderFault | null {
  if (vocabulary.numbering.has(header.numbering)) return null;
  for (const row of score.rows) {
    const { body } = row.content;
    if (body.kind === "header" && body.key.text.toLowerCase() === "numbering" && body.value)
      return { row, span: body.value, code: "header-value", known: [...vocabulary.numbering.keys()] };
  }
  return null;
}

function rowOf(score: Score): (actor: Actor) => Row {
  return (actor) =>
    score.rows.find(({ content }) => content.body.kind === "header" && content.body.key.text.toUpperCase() === actor) ??
    score.rows.find(({ content }) => content.body.kind === "play") ??
    score.rows[0]!;
}

/** All findings in the order of the text, each once. */
function collect(found: AllFound, school: School): Finding[] {
  const seen = new Set<string>();
  const all: Finding[] = [];
  const own = graded(found.findings, school);
  for (const d of [...own, ...found.exchanges.flatMap((e) => e.findings)]) {
    const finding = finish(d);
    const key = `${finding.rule}:${finding.from}:${finding.to}:${finding.message}`;
    if (seen.has(key)) continue;
    seen.add(key);
    all.push(finding);
  }
  return all.sort((a, b) => a.from - b.from || a.to - b.to);
}

function scoreVerdict(findings: readonly Finding[]): ScoreVerdict {
  if (findings.some((f) => f.severity === "error")) return "broken";
  return findings.some((f) => f.severity === "risk") ? "risky" : "sound";
}
