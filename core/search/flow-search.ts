/** Finds cycles of n counts over chosen moves: every feed is met or answered, and the state returns. */
import { rowOfLine } from "../base/units.ts";
import type { Checked } from "../drill/types.ts";
import { below, seeded, type Random } from "../random/random.ts";
import type { School } from "../policy/school.ts";
import { readHeader } from "../score/header.ts";
import { lineText } from "../score/format.ts";
import { linesOf } from "../score/structure.ts";
import { checkText, readText } from "../answers/check-text.ts";
import { FLOW_COUNTS, type FlowOptions } from "./flow-options.ts";

/** As many counts as moves are chosen, or the next number that a cycle can have. */
export const countsFor = (moves: readonly string[]): number =>
  FLOW_COUNTS.find((counts) => counts >= moves.length) ?? FLOW_COUNTS[FLOW_COUNTS.length - 1]!;
/** Passes that are written into the loop. */
const PASSES = 8;
/** Checks between two breaths. */
const STRIDE = 50;

interface FlowCycle {
  readonly text: string;
  readonly checked: Checked;
  readonly rows: readonly string[];
  /** 1: as much comes from the left as from the right; 0: all from one side. */
  readonly evenness: number;
  /** Share of the counts that change side, and of those that change height. */
  readonly change: number;
  /** The school has no cycle of these rows in this order, wherever it begins. */
  readonly fresh: boolean;
}
/** Cycles that close, or why there are none. */
export type FlowResult =
  | {
      readonly ok: true;
      readonly cycles: readonly FlowCycle[];
      readonly tried: number;
      /** Every cycle there is was tried. */
      readonly whole: boolean;
    }
  | { readonly ok: false; readonly message: string };

/** `context`: header rows. Same seed, same cycles; yields the share of the search done. */
export function* flowSearch(
  context: readonly string[],
  school: School,
  options: FlowOptions,
): Generator<number, FlowResult> {
  const { counts, moves } = options;
  if (!(FLOW_COUNTS as readonly number[]).includes(counts))
    return { ok: false, message: `A cycle has ${FLOW_COUNTS.join(", ")} counts.` };
  if (moves.length === 0) return { ok: false, message: "No move is chosen. Choose strokes, or feeds and answers." };
  const head = ["kind: flow", ...context.filter((row) => !/^(kind|title)\s*:/i.test(row))];
  const beats = [soundRows(head, moves, "A", school), soundRows(head, moves, "B", school)] as const;
  // Strokes of weapons meet and have no turn; empty hands feed and answer back and forth.
  const armed = readHeader(readText(`${head.join("\n")}\n`)).header.people.A.holds !== null;
  const meets = armed ? beats[0].filter((row) => row.includes("<>")) : [];
  const answered = beats.map((rows) => rows.filter((row) => row.includes("->")));
  const at = (i: number): readonly string[] => (meets.length > 0 ? meets : answered[i % 2]!);
  if (at(0).length === 0 || at(1).length === 0)
    return {
      ok: false,
      message:
        "None of these moves meets or answers another. With sticks choose strokes of both sides; with empty hands choose feeds and answers to them.",
    };
  if (meets.length === 0 && counts % 2 === 1)
    return { ok: false, message: "Where feeds are answered in turn a cycle needs an even number of counts." };
  const known = new Set(options.known.map((text) => canonical(rowsOf(text))));
  const found = new Map<string, FlowCycle>();
  let tried = 0;
  const space = at(0).length ** Math.ceil(counts / 2) * at(1).length ** Math.floor(counts / 2);
  const whole = space <= options.nodes * 4;
  for (const rows of whole ? all(counts, at) : drawn(counts, at, options.nodes * 4, seeded(options.seed))) {
    const key = canonical(rows);
    if (found.has(key) || stutters(rows)) continue;
    if (tried >= options.nodes) break;
    if (tried++ % STRIDE === 0) yield Math.min(1, tried / Math.min(options.nodes, space));
    const text = `${[...head, "", `loop x${PASSES}:`, ...rows.map((row) => `  ${row}`), "end"].join("\n")}\n`;
    const checked = checkText(text, school);
    if (checked.verdict === "broken" || !checked.closure?.closes) continue;
    found.set(key, { text, checked, rows, ...sidesOf(checked), fresh: !known.has(key) });
  }
  const cycles = [...found.values()].sort(
    (a, b) =>
      b.evenness - a.evenness ||
      Number(b.fresh) - Number(a.fresh) ||
      new Set(b.rows).size - new Set(a.rows).size ||
      b.change - a.change ||
      a.checked.load.total - b.checked.load.total ||
      a.text.localeCompare(b.text),
  );
  return { ok: true, cycles: cycles.slice(0, options.best), tried, whole: whole && tried < options.nodes };
}

/** A short look at each length: fewer cycles are tried than in a search for one. */
const LOOK = 200;

/** The numbers of counts, of those a cycle can have, for which a short search finds one that closes. */
export function* closingCounts(
  context: readonly string[],
  school: School,
  options: FlowOptions,
): Generator<number, number[]> {
  const closing: number[] = [];
  for (const counts of FLOW_COUNTS) {
    const result = yield* flowSearch(context, school, { ...options, counts, nodes: LOOK, best: 1 });
    if (result.ok && result.cycles.length > 0) closing.push(counts);
  }
  return closing;
}

/** Rows of one count that are valid by themselves, with one person to feed. */
function soundRows(head: readonly string[], moves: readonly string[], feeder: "A" | "B", school: School): string[] {
  const other = feeder === "A" ? "B" : "A";
  const tried = moves.flatMap((one) => [
    ...(feeder === "A" ? moves.map((two) => `A ${one} <> B ${two}`) : []),
    ...moves.filter((two) => two !== one).map((two) => `${feeder} ${one} -> ${other} ${two}`),
  ]);
  const checked = checkText([...head, "", ...tried].join("\n"), school);
  const first = head.length + 1;
  const bad = new Set(checked.findings.filter((f) => f.severity === "error").map((f) => rowOfLine(f.line) - first));
  const good = new Set(checked.exchanges.filter((e) => e.verdict === "valid").map((e) => e.row.index - first));
  return tried.filter((_, i) => good.has(i) && !bad.has(i));
}

const rowsOf = (text: string): string[] => [...linesOf(readText(text).items)].map(({ line }) => lineText(line));

/** The same for every rotation of a cycle: where it begins is no difference. */
function canonical(rows: readonly string[]): string {
  let least: string | null = null;
  for (let i = 0; i < rows.length; i++) {
    const turned = [...rows.slice(i), ...rows.slice(0, i)].join("\n");
    if (least === null || turned < least) least = turned;
  }
  return least ?? "";
}

/** The same count twice running, or a shorter cycle written twice. */
function stutters(rows: readonly string[]): boolean {
  const n = rows.length;
  if (rows.some((row, i) => row === rows[(i + 1) % n])) return true;
  for (let part = 1; part <= n / 2; part++)
    if (n % part === 0 && rows.every((row, i) => row === rows[(i + part) % n])) return true;
  return false;
}

/** Every sequence there is, in order. */
function* all(counts: number, at: (i: number) => readonly string[]): Generator<string[]> {
  const place = Array.from({ length: counts }, () => 0);
  for (;;) {
    yield place.map((p, i) => at(i)[p]!);
    let i = counts - 1;
    while (i >= 0 && ++place[i]! === at(i).length) place[i--] = 0;
    if (i < 0) return;
  }
}

function* drawn(counts: number, at: (i: number) => readonly string[], most: number, random: Random) {
  for (let k = 0; k < most; k++) yield Array.from({ length: counts }, (_, i) => at(i)[below(random, at(i).length)]!);
}

/** How even the sides are from which the blows come, and how often side and height change. */
function sidesOf({ exchanges }: Checked): Pick<FlowCycle, "evenness" | "change"> {
  const once = exchanges.filter((e) => e.blow && (e.pass === null || e.pass === 1)).map((e) => e.blow!);
  if (once.length === 0) return { evenness: 0, change: 0 };
  const left = once.filter((blow) => blow.incoming === "left").length;
  const changes = (of: (blow: (typeof once)[number]) => string) =>
    once.filter((blow, i) => of(blow) !== of(once[(i + 1) % once.length]!)).length;
  return {
    evenness: 1 - Math.abs(2 * left - once.length) / once.length,
    change: (changes((blow) => blow.incoming) + changes((blow) => blow.zone)) / (2 * once.length),
  };
}
