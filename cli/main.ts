/** `bin/vicissor`: checks, formats, answers and varies scores from files or standard input; reads no database. */
import { checkFor } from "#core/policy/judge.ts";
import { CannotRun, readArguments, readText, USAGE, type Options } from "./options.ts";
import { runPlan } from "./plan.ts";
import { runBridge, runCalls, runFlow, runLadder, runVary } from "./searches.ts";
import { resultJson } from "#core/formats/result.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { repairsOf } from "#core/answers/repairs.ts";
import type { Finding } from "#core/findings/finding.ts";
import { rankAnswers, type RankedAnswer } from "#core/answers/answers.ts";
import { rankCombined, thrownInTurn } from "#core/answers/combined.ts";
import { headerRows } from "#core/score/edit.ts";
import { shippedFaults } from "#core/words/schema.ts";
import { shippedMoves } from "#core/words/shipped.ts";
import { refutationWords } from "#core/search/refutation-words.ts";
import { refute } from "#core/search/refute.ts";

/** Prints one object; of several files one a line, each with its file. */
const printJson = (files: readonly string[], file: string, value: object): void =>
  console.log(JSON.stringify(files.length > 1 ? { file, ...value } : value));

function runCheck(files: readonly string[], { json, repairs, school }: Options): number {
  let worst = 0;
  for (const file of files) {
    const text = readText(file);
    const checked = checkFor(parse(text), school);
    const mend = repairs ? (f: Finding) => repairsOf(text, checked, f, school) : null;
    if (checked.verdict === "broken") worst = 1;
    if (json) printJson(files, file, resultJson(checked, mend));
    else
      for (const f of checked.findings) {
        console.log(`${file}:${f.line}:${f.column} ${f.severity} ${f.rule} ${f.message}`);
        for (const { label } of mend?.(f) ?? []) console.log(`  ${label}`);
      }
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

/** Answers to one feed or several, as they are printed: the least margin and tempo, and what is open at the end. */
function shownAnswer(answer: string, exchanges: readonly RankedAnswer["exchange"][]) {
  const least = (values: readonly (number | null)[]) => Math.min(...values.map((value) => value ?? Infinity));
  const ceiling = least(exchanges.map((e) => e.ceiling));
  return {
    answer,
    verdict: exchanges.some(({ verdict }) => verdict === "risky") ? "risky" : "valid",
    margin_cm: Math.round(Math.min(...exchanges.map((e) => e.margin ?? 0)) * 1000) / 10,
    ceiling: Number.isFinite(ceiling) ? Math.round(ceiling * 100) / 100 : null,
    open: exchanges[exchanges.length - 1]!.followUps.filter((f) => f.state === "open").map((f) => f.move),
  };
}

function runAnswers([feed, file]: readonly string[], { json, school }: Options): number {
  if (!feed) throw new CannotRun(`which feed?\n${USAGE}`);
  const context = file ? headerRows(parse(readText(file))) : [];
  const turn = /^[abc]\s/i.test(feed) ? feed : `A ${feed}`;
  const unread = checkFor(parse([...context, `${turn} -> catch`].join("\n")), school).findings.find(
    (f) => f.rule === "unknown-move" || f.rule === "bad-move" || f.rule === "syntax",
  );
  if (unread) throw new CannotRun(unread.message);
  const feeds = thrownInTurn(context, turn, school);
  const [feeder = "A"] = turn.toUpperCase();
  const answers =
    feeds.length > 0
      ? rankCombined(context, feeder, feeds, school).map(({ text, exchanges }) => shownAnswer(text, exchanges))
      : rankAnswers(context, turn, school).map(({ text, exchange, worth }) => ({
          ...shownAnswer(text, [exchange]),
          worth: Math.round(worth * 100) / 100,
        }));
  if (json) console.log(JSON.stringify({ feed: turn, answers }));
  else
    for (const a of answers)
      console.log(
        `${a.answer.padEnd(32)} ${a.verdict.padEnd(6)} ${String(a.margin_cm).padStart(5)} cm  ${tempoWords(a.ceiling)}  open: ${a.open.join(", ") || "nothing"}`,
      );
  return answers.length > 0 ? 0 : 1;
}

/** Up to which tempo it works; nothing where no clock runs, as out of a hold. */
const tempoWords = (ceiling: number | null): string =>
  ceiling === null ? " ".repeat(11) : `up to ${String(Math.round(ceiling * 100)).padStart(3)} %`;

function runRefute(files: readonly string[], { json, school, plies, nodes }: Options): number {
  let worst = 0;
  for (const file of files) {
    const result = refute(checkFor(parse(readText(file)), school), school, { plies, nodes });
    if (result.kind === "refuted") worst = 1;
    if (json) printJson(files, file, result);
    else console.log(`${file}: ${refutationWords(result)}`);
  }
  return worst;
}

/** For commands that take any number of files. */
const onFiles =
  (run: (files: readonly string[], options: Options) => number) =>
  (files: readonly string[], options: Options): number => {
    if (files.length === 0) throw new CannotRun(`which file?\n${USAGE}`);
    return run(files, options);
  };

/** Holds the moves that ship against their schema: file, move and field of each fault. */
function runMoves(): number {
  const faults = shippedFaults();
  for (const fault of faults) console.log(fault);
  if (faults.length === 0) console.log(`${shippedMoves.length} moves, no fault`);
  return faults.length === 0 ? 0 : 1;
}

const COMMANDS: Readonly<Record<string, (files: readonly string[], options: Options) => number>> = {
  check: onFiles(runCheck),
  format: onFiles(runFormat),
  refute: onFiles(runRefute),
  answers: runAnswers,
  vary: runVary,
  ladder: runLadder,
  calls: runCalls,
  bridge: runBridge,
  flow: runFlow,
  plan: runPlan,
  moves: runMoves,
};

function main(args: readonly string[]): number {
  const { words, options } = readArguments(args);
  const [command, ...files] = words;
  if (!command || command === "help") {
    process.stdout.write(USAGE);
    return command ? 0 : 2;
  }
  const run = COMMANDS[command];
  if (!run) throw new CannotRun(`unknown command ${command}\n${USAGE}`);
  return run(files, options);
}

try {
  process.exitCode = main(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof CannotRun)) throw error;
  console.error(`vicissor: ${error.message}`);
  process.exitCode = 2;
}
