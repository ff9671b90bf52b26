/** Score to checked score: every verdict, finding and state, from geometry and data. */
import type { Checked, CheckedExchange, Closure, ScoreVerdict } from "./types.ts";
import { frameFor } from "./frame.ts";
import { loadOf } from "./load.ts";
import { differences } from "./loops.ts";
import { atTempo } from "./late.ts";
import { frameFindings } from "./safety.ts";
import { ambiguousCues } from "./ambiguous.ts";
import { cachedLine } from "./line-cache.ts";
import { walkLine } from "./walk.ts";
import type { Setting } from "./exchange.ts";
import { draft, finish, type Finding, type FindingDraft } from "../findings/finding.ts";
import { readHeader, type Header, type HeaderFault } from "../score/header.ts";
import type { Actor, Row, Score, ScoreBlock, ScoreItem } from "../score/types.ts";
import type { Person } from "../score/person.ts";
import { cloneWorld, type World } from "../body/state.ts";
import { defaultSchool, graded, type School } from "../school/school.ts";

interface Pass {
  readonly header: Header;
  readonly school: School;
  readonly frame: World;
  /** Says which frame and settings a kept line belongs to. */
  readonly key: string;
  readonly rangeWritten: boolean;
  readonly exchanges: CheckedExchange[];
  readonly findings: FindingDraft[];
  closure: Closure | null;
  /** States in which the lines of choices end, inside loops and carries. */
  branchEnds: World[];
}

/** Measures of the people at hand; they come before what the header says. */
export type Bodies = Partial<Record<Actor, Partial<Person>>>;

/** Checks a whole score. Never throws for any text. */
export function check(score: Score, school: School = defaultSchool(), bodies: Bodies = {}): Checked {
  const { header: written, faults } = readHeader(score, {
    numbering: school.customs.numbering,
    context: school.customs.context,
  });
  const header = withBodies(written, bodies);
  const { world, distance, rangeWritten } = frameFor(score, header, school.vocabulary);
  const pass: Pass = {
    header,
    school,
    key: frameKey(header, distance, school),
    frame: world,
    rangeWritten,
    exchanges: [],
    findings: [],
    closure: null,
    branchEnds: [],
  };
  for (const { row, fault } of score.faults)
    pass.findings.push(draft(row, fault, "syntax", { code: fault.code, found: fault.found }));
  for (const fault of faults) pass.findings.push(headerFinding(fault));
  const set = unknownSet(score, header, school);
  if (set) pass.findings.push(headerFinding(set));
  walkItems(score.items, pass, { section: null, label: null, choices: 1, passNumber: null }, null);
  if (pass.exchanges.length === 0 && score.faults.length === 0) {
    const row = score.rows[score.rows.length - 1]!;
    pass.findings.push(draft(row, { from: 0, to: 0 }, "syntax", { code: "no-play" }));
  }
  pass.findings.push(
    ...frameFindings(
      header,
      rowOf(score),
      pass.exchanges.some((e) => e.blow?.path === "shoot"),
      pass.exchanges.some((e) => e.blow?.weapon),
    ),
  );
  const findings = collect(pass);
  return {
    score,
    header,
    verdict: scoreVerdict(findings),
    exchanges: pass.exchanges,
    findings,
    closure: pass.closure,
    load: loadOf(score, header, pass.exchanges, school.load),
    distance,
  };
}

/** Everything outside a line on which its result rests; the tempo decides only afterwards. */
function frameKey(header: Header, distance: number, school: School): string {
  const rules = header.actors.map((actor) => [...header.rules[actor]]);
  return JSON.stringify([
    header.people,
    header.actors,
    rules,
    header.kind,
    header.contact,
    header.tradition,
    header.numbering,
    header.range,
    distance,
    school.key,
  ]);
}

function withBodies(header: Header, bodies: Bodies): Header {
  const people = { ...header.people };
  for (const actor of header.actors) people[actor] = { ...people[actor], ...bodies[actor] };
  return { ...header, people };
}

interface Place {
  readonly section: string | null;
  readonly label: string | null;
  readonly choices: number;
  readonly passNumber: number | null;
}

/**
 * Walks items in order. `carried`: the state that goes on from line to line inside `loop` and
 * `carry`; null where each line starts from the frame. Gives the state at the end.
 */
function walkItems(items: readonly ScoreItem[], pass: Pass, place: Place, carried: World | null): World | null {
  let state = carried;
  let { section } = place;
  for (const item of items) {
    if (item.kind === "section") section = item.name;
    else if (item.kind === "block") state = walkBlock(item, pass, { ...place, section }, state);
    else {
      const setting: Setting = {
        header: pass.header,
        school: pass.school,
        choices: place.choices,
        label: item.label,
        section,
        pass: place.passNumber,
        rangeWritten: pass.rangeWritten,
      };
      const compute = () => walkLine(item.row, item.line, state ?? pass.frame, setting, state !== null);
      const result = state
        ? compute()
        : cachedLine(item.line, item.row, `${pass.key}${place.choices}`, setting, compute);
      for (const e of result.exchanges) pass.exchanges.push(atTempo(e, pass.header, pass.school));
      pass.findings.push(...result.findings);
      if (state) state = result.end;
    }
  }
  return state;
}

function walkBlock(block: ScoreBlock, pass: Pass, place: Place, carried: World | null): World | null {
  switch (block.head.type) {
    case "carry":
      return walkItems(block.items, pass, place, carried ?? cloneWorld(pass.frame)) && carried;
    case "choose": {
      const lines = block.items.filter((item) => item.kind === "line").length;
      const choices = block.head.by === "A" && lines > 1 ? lines : 1;
      let first: World | null = null;
      const from = pass.exchanges.length;
      for (const item of block.items) {
        const end = walkItems([item], pass, { ...place, choices }, carried && cloneWorld(carried));
        first ??= end;
        if (end && item.kind === "line") pass.branchEnds.push(end);
      }
      if (choices > 1) pass.findings.push(...ambiguousCues(firstOfEachLine(pass.exchanges.slice(from)), pass.header));
      return carried && (first ?? carried);
    }
    case "loop":
      return walkLoop(block, pass, place, carried);
  }
}

const firstOfEachLine = (exchanges: readonly CheckedExchange[]): CheckedExchange[] =>
  exchanges.filter((e, i) => exchanges.findIndex((other) => other.row === e.row && other.label === e.label) === i);

/** Two passes are enough to see whether a cycle closes; what differs once differs each time. */
function walkLoop(block: ScoreBlock, pass: Pass, place: Place, carried: World | null): World | null {
  if (block.head.type !== "loop") return carried;
  const { swap, times } = block.head;
  pass.branchEnds = [];
  const first = walkItems(block.items, pass, { ...place, passNumber: 1 }, carried ?? cloneWorld(pass.frame))!;
  otherStarts(block, pass, place, first);
  // The second pass is for its end state; its exchanges would only repeat the first.
  const silent: Pass = { ...pass, exchanges: [], findings: [], branchEnds: [] };
  const start = swap ? swapRoles(first) : first;
  const second = walkItems(block.items, silent, { ...place, passNumber: 2 }, cloneWorld(start))!;
  const open = times > 1 ? differences(first, swap ? swapRoles(second) : second, false) : [];
  const fresh = pass.closure === null || pass.closure.closes;
  if (fresh) pass.closure = { closes: open.length === 0, differences: open, row: block.row };
  if (open.length > 0 && block.row.content.body.kind === "block")
    pass.findings.push(draft(block.row, block.row.content.body.span, "loop-open", { what: open.join("; ") }));
  return carried && second;
}

/** Most different states from which the lines of a choice are tried again. */
const MAX_STARTS = 8;

/**
 * A line of a choice may follow any other line of it: each is checked from each state that another
 * leaves. Only what goes wrong is kept; the exchanges are those of the first pass.
 */
function otherStarts(block: ScoreBlock, pass: Pass, place: Place, first: World): void {
  const starts: World[] = [first];
  for (const end of pass.branchEnds)
    if (starts.length < MAX_STARTS && starts.every((start) => differences(start, end, false).length > 0))
      starts.push(end);
  for (const start of starts.slice(1)) {
    const again: Pass = { ...pass, exchanges: [], findings: [], branchEnds: [] };
    walkItems(block.items, again, { ...place, passNumber: 1 }, cloneWorld(start));
    pass.findings.push(...again.findings, ...again.exchanges.flatMap((e) => e.findings));
  }
}

/** A stands where B stood and the reverse. */
function swapRoles(world: World): World {
  const copy = cloneWorld(world);
  const { A, B } = copy;
  if (A && B) {
    copy.A = { ...B, actor: "A" };
    copy.B = { ...A, actor: "B" };
  }
  return copy;
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
function collect(pass: Pass): Finding[] {
  const seen = new Set<string>();
  const all: Finding[] = [];
  const own = graded(pass.findings, pass.school);
  for (const d of [...own, ...pass.exchanges.flatMap((e) => e.findings)]) {
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
