/** `bin/vicissor`: checks, formats and answers scores from files or standard input; reads no database. */
import { readFileSync } from "node:fs";
import { CALL_DEFAULTS, callRound } from "#core/calls/calls.ts";
import { callsText } from "#core/calls/exports.ts";
import { callLabels } from "#core/calls/labels.ts";
import { check } from "#core/check/check.ts";
import { resultJson } from "#core/formats/result.ts";
import { defaultSchool, readSchool, type School } from "#core/school/school.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { rankAnswers } from "#core/vary/answers.ts";
import { headerRows } from "#core/vary/edit.ts";
import { makeLadder } from "#core/vary/ladder.ts";
import { GOALS, LADDER_DEFAULTS, type GoalId } from "#core/vary/ladder-options.ts";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import { vary } from "#core/vary/vary.ts";
import { refute, REFUTE_DEFAULTS } from "#core/vary/refute.ts";

const USAGE = `usage: vicissor check [--json] [--school FILE] FILE...|-
       vicissor format [--json] FILE...|-
       vicissor answers "A jab" [--json] [--school FILE] [FILE]
       vicissor calls [--json] [--seed N] [--count N] [--school FILE] FILE|-
       vicissor vary [--json] [--school FILE] FILE|-
       vicissor ladder [--json] [--seed N] [--rungs N] [--goal WORD] [--school FILE] FILE|-
       vicissor refute [--json] [--plies N] [--nodes N] [--seed N] [--school FILE] FILE...|-

check    prints FILE:LINE:COL severity rule message; exit 0 without errors, 1 with, 2 when it cannot run
format   prints the score in its one layout
answers  ranks all valid answers to a feed, for the people and the distance in FILE's header
vary     all single changes of a drill that hold, easiest first
ladder   rungs from one exchange upwards, one change each, in even steps of load; the same seed, the same ladder
calls    a round of calls for the drill's labels or feeds, fair and without a pattern; the same seed, the same round
refute   plays the feeder who wants to break the drill: the shortest line that lands; exit 1 when there is one
`;

/** Thrown for anything that keeps the command from running; printed as one line, exit 2. */
class CannotRun extends Error {}

interface Options {
  readonly json: boolean;
  readonly school: School;
  readonly plies: number;
  readonly nodes: number;
  readonly seed: number;
  readonly count: number;
  readonly rungs: number;
  readonly goal: GoalId;
}

function readText(file: string): string {
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
const VALUES = new Set(["--school", "--plies", "--nodes", "--seed", "--count", "--rungs", "--goal"]);

function readArguments(args: readonly string[]): { words: string[]; options: Options } {
  const words: string[] = [];
  const given = new Map<string, string>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    if (!arg.startsWith("--")) words.push(arg);
    else if (arg === "--json" || arg === "--help") given.set(arg, "");
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
      school: file ? schoolFrom(file) : defaultSchool(),
      plies: number("--plies", REFUTE_DEFAULTS.plies),
      nodes: number("--nodes", REFUTE_DEFAULTS.nodes),
      seed: number("--seed", REFUTE_DEFAULTS.seed),
      count: number("--count", CALL_DEFAULTS.count),
      rungs: number("--rungs", LADDER_DEFAULTS.rungs),
      goal: goalOf(given.get("--goal") ?? "half"),
    },
  };
}

function goalOf(word: string): GoalId {
  const goal = (Object.keys(GOALS) as GoalId[]).find((id) => id === word);
  if (!goal) throw new CannotRun(`--goal is one of ${Object.keys(GOALS).join(", ")}`);
  return goal;
}

/** Prints one object; of several files one a line, each with its file. */
const printJson = (files: readonly string[], file: string, value: object): void =>
  console.log(JSON.stringify(files.length > 1 ? { file, ...value } : value));

function runCheck(files: readonly string[], { json, school }: Options): number {
  let worst = 0;
  for (const file of files) {
    const checked = check(parse(readText(file)), school);
    if (checked.verdict === "broken") worst = 1;
    if (json) printJson(files, file, resultJson(checked));
    else
      for (const f of checked.findings)
        console.log(`${file}:${f.line}:${f.column} ${f.severity} ${f.rule} ${f.message}`);
  }
  return worst;
}

function runFormat(files: readonly string[], { json }: Options): number {
  for (const file of files) {
    const text = format(parse(readText(file)));
    if (json) printJson(files, file, { text });
    else process.stdout.write(text);
  }
  return 0;
}

function runVary([file]: readonly string[], { json, school }: Options): number {
  if (!file) throw new CannotRun(`which drill?\n${USAGE}`);
  const { good } = vary(check(parse(readText(file)), school), school);
  if (json)
    console.log(
      JSON.stringify(
        good.map(({ operator, parameters, changed, load, verdict, text }) => ({
          operator,
          parameters,
          changed,
          load,
          verdict,
          text,
        })),
      ),
    );
  else
    for (const v of good)
      console.log(`${v.load.total.toFixed(1).padStart(6)}  ${OPERATOR_NAMES[v.operator]}: ${v.changed}`);
  return 0;
}

function runLadder([file]: readonly string[], { json, school, seed, rungs, goal }: Options): number {
  if (!file) throw new CannotRun(`which drill?\n${USAGE}`);
  const options = { ...LADDER_DEFAULTS, order: school.customs.stages, seed, rungs, goal: GOALS[goal].goal };
  const work = makeLadder(check(parse(readText(file)), school), school, options);
  let step = work.next();
  while (!step.done) step = work.next();
  const result = step.value;
  if (!result.ok) throw new CannotRun(result.message);
  const steps = result.rungs.map(({ operator, changed, text, checked }) => ({
    operator,
    changed,
    load: checked.load,
    verdict: checked.verdict,
    text,
  }));
  if (json) console.log(JSON.stringify({ partial: result.partial, notes: result.notes, rungs: steps }));
  else {
    for (const [i, rung] of steps.entries())
      console.log(`${String(i + 1).padStart(2)}. ${rung.load.total.toFixed(1).padStart(5)}  ${rung.changed}`);
    for (const note of result.notes) console.log(note);
  }
  return 0;
}

function runCalls([file]: readonly string[], { json, school, seed, count }: Options): number {
  if (!file) throw new CannotRun(`which drill?\n${USAGE}`);
  const labels = callLabels(check(parse(readText(file)), school));
  const result = callRound({ ...CALL_DEFAULTS, labels, seed, count });
  if (!result.ok) throw new CannotRun(result.message);
  if (json) console.log(JSON.stringify(result.round));
  else process.stdout.write(callsText(result.round.items));
  return 0;
}

function runAnswers([feed, file]: readonly string[], { json, school }: Options): number {
  if (!feed) throw new CannotRun(`which feed?\n${USAGE}`);
  const context = file ? headerRows(parse(readText(file))) : [];
  const turn = /^[abc]\s/i.test(feed) ? feed : `A ${feed}`;
  const unread = check(parse([...context, `${turn} -> catch`].join("\n")), school).findings.find(
    (f) => f.rule === "unknown-move" || f.rule === "bad-move" || f.rule === "syntax",
  );
  if (unread) throw new CannotRun(unread.message);
  const answers = rankAnswers(context, turn, school).map(({ text, exchange, worth }) => ({
    answer: text,
    verdict: exchange.verdict,
    margin_cm: Math.round((exchange.margin ?? 0) * 1000) / 10,
    ceiling: exchange.ceiling === null ? null : Math.round(exchange.ceiling * 100) / 100,
    open: exchange.followUps.filter((f) => f.state === "open").map((f) => f.move),
    worth: Math.round(worth * 100) / 100,
  }));
  if (json) console.log(JSON.stringify({ feed: turn, answers }));
  else
    for (const a of answers)
      console.log(
        `${a.answer.padEnd(32)} ${a.verdict.padEnd(6)} ${String(a.margin_cm).padStart(5)} cm  up to ${String(Math.round((a.ceiling ?? 0) * 100)).padStart(3)} %  open: ${a.open.join(", ") || "nothing"}`,
      );
  return answers.length > 0 ? 0 : 1;
}

function runRefute(files: readonly string[], { json, school, plies, nodes, seed }: Options): number {
  let worst = 0;
  for (const file of files) {
    const result = refute(check(parse(readText(file)), school), school, { plies, nodes, seed });
    if (result.kind === "refuted") worst = 1;
    if (json) printJson(files, file, result);
    else console.log(`${file}: ${refuteWords(result)}`);
  }
  return worst;
}

function refuteWords(result: ReturnType<typeof refute>): string {
  switch (result.kind) {
    case "holds":
      return `holds ${result.plies} plies (${result.nodes} positions)`;
    case "refuted":
      return `row ${result.row}: ${result.line}\n  the ${result.lands} lands: ${result.reason}.${result.repair ? ` Mend it with: ${result.repair}` : ""}`;
    case "stopped":
      return `holds ${result.plies} plies as far as looked (${result.nodes} positions)`;
    case "nothing":
      return result.reason;
  }
}

function main(args: readonly string[]): number {
  const { words, options } = readArguments(args);
  const [command, ...files] = words;
  if (!command || command === "help") {
    process.stdout.write(USAGE);
    return command ? 0 : 2;
  }
  if (command === "answers") return runAnswers(files, options);
  if (command === "vary") return runVary(files, options);
  if (command === "ladder") return runLadder(files, options);
  if (command === "calls") return runCalls(files, options);
  const run = { check: runCheck, format: runFormat, refute: runRefute }[command];
  if (!run) throw new CannotRun(`unknown command ${command}\n${USAGE}`);
  if (files.length === 0) throw new CannotRun(`which file?\n${USAGE}`);
  return run(files, options);
}

try {
  process.exitCode = main(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof CannotRun)) throw error;
  console.error(`vicissor: ${error.message}`);
  process.exitCode = 2;
}
