/** Score to checked score: every verdict, finding and state, from geometry and data. No house rules: see `core/policy`. */
import type { Checked, ScoreVerdict } from "./types.ts";
import { AnyTimes } from "./any-time.ts";
import { closeTouch } from "./close-touch.ts";
import { AllFound, type Found } from "./found.ts";
import { checkGame } from "./game-check.ts";
import { loadOf } from "./load.ts";
import { prepare, titledHeader, type Bodies, type Prepared } from "./prepare.ts";
import { rowNotes } from "./row-notes.ts";
import { frameFindings } from "./safety.ts";
import { START, walkItems, type Pass } from "./score-walk.ts";
import { shippedUsage, type Usage } from "../customs/customs.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { notModelled } from "../words/shipped.ts";
import { draft, finish, type Finding, type FindingDraft } from "../findings/finding.ts";
import { beatText } from "../score/format.ts";
import { linesOf } from "../score/structure.ts";
import { MAX_CARRIED_EXCHANGES } from "../score/limits.ts";
import type { Header, HeaderFault } from "../score/header.ts";
import type { Actor, Row, Score } from "../score/types.ts";

export type { Bodies } from "./prepare.ts";

/** Checks a whole score for the bodies at hand. Never throws for any text. */
export function check(score: Score, usage: Usage = shippedUsage(), bodies: Bodies = {}): Checked {
  const prepared = prepare(score, usage, bodies);
  const found = new AllFound(prepared.header);
  const { closure } = walkScore(score, usage, prepared, found);
  found.say(...rowNotes(score, prepared, usage.customs));
  const findings = collect(found.findings, found.exchanges);
  const { header, distance } = prepared;
  return {
    score,
    header: titledHeader(prepared, score),
    verdict: scoreVerdict(findings),
    exchanges: found.exchanges,
    wrong: found.wrong,
    games: found.games,
    loose: found.findings,
    findings,
    closure,
    load: loadOf(score, header, found.shares, usage.load),
    distance,
  };
}

/** One walk through a score with all that is said of its rows and its frame. */
export function walkScore(score: Score, usage: Usage, prepared: Prepared, found: Found): Pass {
  const { header, faults } = prepared;
  const pass: Pass = {
    header,
    usage,
    prepared,
    found,
    work: { left: MAX_CARRIED_EXCHANGES },
    closure: null,
    anyTimes: new AnyTimes(score.items),
    branchEnds: [],
  };
  for (const { row, fault } of score.faults)
    found.say(draft(row, fault, "syntax", { code: fault.code, found: fault.found }));
  for (const fault of faults) found.say(headerFinding(fault));
  const set = unknownSet(score, header, usage);
  if (set) found.say(headerFinding(set));
  walkItems(score.items, pass, START, null);
  pass.anyTimes.check(pass);
  for (const item of score.items)
    if (item.kind === "game") {
      const { checked, findings, shares } = checkGame(item, prepared, usage);
      found.say(...findings);
      found.fromGame(checked, shares);
    }
  const plays = score.items.some(({ kind }) => kind === "game") || found.shares.some(({ exchanges }) => exchanges > 0);
  if (!plays && score.faults.length === 0 && !found.showsWrong) found.say(nothingPlayed(score));
  found.say(
    ...frameFindings(
      header,
      rowOf(score),
      found.shares.flatMap((share) => share.thrown),
      usage.customs,
    ),
    ...closeTouch(score, prepared, usage.customs.minors),
  );
  return pass;
}

/** A thing of the trade that nobody's drill here is judged with: what it is called, and what to do instead. */
function notJudged(item: string): { known: string; instead: string } | null {
  const thing = item.replace(/^holds? /, "");
  const found = notModelled.find(({ names }) => names.includes(thing));
  return found ? { known: thing, instead: found.instead } : null;
}

const HEADER_NOTES = new Set(["header-key", "own-rule"]);

function headerFinding(fault: HeaderFault): FindingDraft {
  const params = { code: fault.code, value: fault.span.text, key: fault.span.text, known: fault.known.join(", ") };
  const { body } = fault.row.content;
  const beyond = fault.code === "held" ? notJudged(params.known) : null;
  if (beyond)
    return { ...draft(fault.row, fault.span, "header", { ...params, code: "not-held", ...beyond }), severity: "error" };
  if (HEADER_NOTES.has(fault.code))
    return draft(fault.row, fault.span, "header", { ...params, key: body.kind === "header" ? body.key.text : "" });
  return { ...draft(fault.row, fault.span, "header", params), severity: "error", rule: "header" };
}

/** A numbering set that the school does not have: nothing else is taken in its place unsaid. */
function unknownSet(score: Score, header: Header, { vocabulary }: Usage): HeaderFault | null {
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
export function collect(loose: readonly FindingDraft[], exchanges: readonly CheckedExchange[]): Finding[] {
  const seen = new Set<string>();
  const all: Finding[] = [];
  for (const d of [...loose, ...exchanges.flatMap((e) => e.findings)]) {
    const finding = finish(d);
    const key = `${finding.rule}:${finding.from}:${finding.to}:${finding.message}`;
    if (seen.has(key)) continue;
    seen.add(key);
    all.push(finding);
  }
  return all.sort((a, b) => a.from - b.from || a.to - b.to);
}

/** Returns the verdict of a drill by its findings. */
export function scoreVerdict(findings: readonly Finding[]): ScoreVerdict {
  if (findings.some((f) => f.severity === "error")) return "broken";
  return findings.some((f) => f.severity === "risk") ? "risky" : "sound";
}

/** There is no row yet, or the first one has nothing to answer. */
function nothingPlayed({ items, rows }: Score): FindingDraft {
  for (const { row, line } of linesOf(items)) {
    const beat = line.turns[0]?.alternatives[0]?.beats[0];
    if (beat) return draft(row, beat, "syntax", { code: "no-feed", found: beatText(beat) });
  }
  return draft(rows[rows.length - 1]!, { from: 0, to: 0 }, "syntax", { code: "no-play" });
}
