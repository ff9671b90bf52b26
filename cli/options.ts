/** Arguments of the command line: words, flags, files, and what is wrong with them. */
import { readFileSync } from "node:fs";
import { CALL_DEFAULTS } from "#core/calls/calls.ts";
import { defaultSchool, readSchool, type School } from "#core/policy/school.ts";
import { FLOW_DEFAULTS } from "#core/search/flow-search.ts";
import { GOALS, LADDER_DEFAULTS, type GoalId } from "#core/ladder/ladder-options.ts";
import { REFUTE_DEFAULTS } from "#core/search/refute.ts";

export const USAGE = `usage: vicissor check [--json] [--repairs] [--school FILE] FILE...|-
       vicissor format [--json] FILE...|-
       vicissor answers "A jab" [--json] [--school FILE] [FILE]
       vicissor calls [--json] [--seed N] [--count N] [--choice N] [--school FILE] FILE|-
       vicissor vary [--json] [--school FILE] FILE|-
       vicissor ladder [--json] [--seed N] [--rungs N] [--goal WORD] [--school FILE] FILE|-
       vicissor bridge [--json] [--school FILE] FILE FILE
       vicissor flow --moves "MOVE, MOVE, ..." [--counts N] [--json] [--seed N] [--school FILE] [FILE]
       vicissor refute [--json] [--plies N] [--nodes N] [--school FILE] FILE...|-
       vicissor plan --people FILE.csv [--minutes N] [--json] [--school FILE] DRILL.vics...
       vicissor moves

check    prints FILE:LINE:COL severity rule message; exit 0 without errors, 1 with, 2 when it cannot run;
         with --repairs each finding is followed by what mends it, in JSON by label and whole new text
format   prints the score in its one layout
answers  ranks all valid answers to a feed, for the people and the distance in FILE's header
vary     all single changes of a drill that hold, easiest first
ladder   rungs from one exchange upwards, one change each, in even steps of load; the same seed, the same ladder
bridge   the shortest rows by which the second drill can follow the first without a stop
flow     cycles over the moves, for the people in FILE's header: all is met or answered, and the state returns
calls    a round of calls for the drill's labels or feeds, fair and without a pattern; the same seed, the same round
refute   plays the feeder who wants to break the drill: the shortest line that lands; exit 1 when there is one
plan     the evening of a class: the ladder of one drill, or several drills, for the people of a table
moves    holds the moves that ship against their schema: file, move and field of each fault; exit 1 when there is one
`;

/** Thrown for anything that keeps the command from running; printed as one line, exit 2. */
export class CannotRun extends Error {}

export interface Options {
  readonly json: boolean;
  /** Each finding comes with what mends it. */
  readonly repairs: boolean;
  readonly school: School;
  readonly plies: number;
  readonly nodes: number;
  readonly seed: number;
  readonly count: number;
  /** Which choice of a drill is called, from 1. */
  readonly choice: number;
  readonly rungs: number;
  readonly goal: GoalId;
  readonly counts: number;
  /** Moves of a cycle, as they are written. */
  readonly moves: readonly string[];
  /** A table of the people who are here. */
  readonly people: string | null;
  /** Length of a class. */
  readonly minutes: number;
}

export function readText(file: string): string {
  try {
    return readFileSync(file === "-" ? 0 : file, "utf8");
  } catch (error) {
    throw new CannotRun(`cannot read ${file}: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}`);
  }
}

function schoolFrom(file: string): School {
  let data: unknown;
  try {
    data = JSON.parse(readText(file));
  } catch (error) {
    if (error instanceof CannotRun) throw error;
    throw new CannotRun(`${file} is no JSON: ${(error as Error).message}`);
  }
  const result = readSchool(data);
  if (!result.ok) throw new CannotRun(`${file}:\n  ${result.errors.join("\n  ")}`);
  return result.school;
}

/** Flags that take a value. */
const VALUES = new Set([
  "--school",
  "--plies",
  "--nodes",
  "--seed",
  "--count",
  "--choice",
  "--rungs",
  "--goal",
  "--counts",
  "--moves",
  "--people",
  "--minutes",
]);

export function readArguments(args: readonly string[]): { words: string[]; options: Options } {
  const words: string[] = [];
  const given = new Map<string, string>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    if (!arg.startsWith("--")) words.push(arg);
    else if (arg === "--json" || arg === "--help" || arg === "--repairs") given.set(arg, "");
    else if (VALUES.has(arg) && args[i + 1] !== undefined) given.set(arg, args[++i]!);
    else throw new CannotRun(`${VALUES.has(arg) ? `${arg} needs a value` : `unknown option ${arg}`}\n${USAGE}`);
  }
  const number = (flag: string, fallback: number): number => {
    const value = Number(given.get(flag) ?? fallback);
    if (!Number.isInteger(value) || value < 1) throw new CannotRun(`${flag} needs a whole number from 1`);
    return value;
  };
  const file = given.get("--school");
  if (given.has("--help")) words.unshift("help");
  return {
    words,
    options: {
      json: given.has("--json"),
      repairs: given.has("--repairs"),
      school: file ? schoolFrom(file) : defaultSchool(),
      plies: number("--plies", REFUTE_DEFAULTS.plies),
      nodes: number("--nodes", REFUTE_DEFAULTS.nodes),
      seed: number("--seed", CALL_DEFAULTS.seed),
      count: number("--count", CALL_DEFAULTS.count),
      choice: number("--choice", 1),
      rungs: number("--rungs", LADDER_DEFAULTS.rungs),
      goal: goalOf(given.get("--goal") ?? "half"),
      people: given.get("--people") ?? null,
      minutes: number("--minutes", 90),
      counts: number("--counts", FLOW_DEFAULTS.counts),
      moves: (given.get("--moves") ?? "")
        .split(",")
        .map((move) => move.trim())
        .filter(Boolean),
    },
  };
}

function goalOf(word: string): GoalId {
  const goal = (Object.keys(GOALS) as GoalId[]).find((id) => id === word);
  if (!goal) throw new CannotRun(`--goal is one of ${Object.keys(GOALS).join(", ")}`);
  return goal;
}
