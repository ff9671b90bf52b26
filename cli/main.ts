/** `bin/vicissor`: checks, formats, answers and varies drills from files or standard input; reads no database. */
import { Command, CommanderError } from "commander";
import { CALL_DEFAULTS } from "#core/calls/calls.ts";
import { GOALS, LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { REFUTE_DEFAULTS } from "#core/search/refute.ts";
import { FLOW_DEFAULTS } from "#core/search/flow-options.ts";
import { runAnswers } from "./answers.ts";
import { runCheck, runFormat, runMoves, runRefute } from "./check.ts";
import { CannotRun, moveList, wholeNumber } from "./options.ts";
import { runPlan } from "./plan.ts";
import { runRead } from "./read.ts";
import { runBridge, runCalls, runFlow, runLadder, runVary } from "./searches.ts";

/** Exit code where a command cannot run: wrong arguments, a file that is missing. */
const CANNOT = 2;

const program = new Command("vicissor")
  .description("Checks two-person drills, answers feeds, makes variations and ladders. Reads no database.")
  .exitOverride()
  .showHelpAfterError("(vicissor help COMMAND says how it is used)");

/** A command with what all of them have: JSON, and a school's own moves, severities and rulings. */
const command = (usage: string, summary: string): Command =>
  program
    .command(usage)
    .description(summary)
    .option("--json", "print one JSON object instead of words")
    .option("--school <file>", "a school's own moves, severities and rulings, as JSON");

/** Runs a command and keeps its exit code. */
const exits =
  <Args extends readonly unknown[]>(run: (...args: Args) => number) =>
  (...args: Args): void => {
    process.exitCode = run(...args);
  };

const FILES = "<files...>";
const seed = ["--seed <n>", "the same seed gives the same result", wholeNumber] as const;

command(`check ${FILES}`, "says what the checker finds in each drill; `-` reads standard input")
  .option("--repairs", "print what mends each finding, checked")
  .addHelpText(
    "after",
    "\nPrints FILE:LINE:COLUMN severity rule message, then what was found.\nExit 0 without errors, 1 with.",
  )
  .action(exits(runCheck));
command(`format ${FILES}`, "prints each drill in its one layout").action(exits(runFormat));
command("read <file>", "reads lines in plain words, one row each; `-` reads standard input")
  .addHelpText("after", "\nExit 0 where each line has a row or a question, else 1.")
  .action(exits(runRead));
command("answers <feed> [file]", "ranks the answers to a feed, for the people in the file's header").action(
  exits(runAnswers),
);
command(`refute ${FILES}`, "looks for the shortest line that gets through; exit 1 when there is one")
  .option("--plies <n>", "how many actions deep", wholeNumber, REFUTE_DEFAULTS.plies)
  .option("--nodes <n>", "most positions looked at", wholeNumber, REFUTE_DEFAULTS.nodes)
  .action(exits(runRefute));
command("vary <file>", "lists all single changes of a drill that hold, easiest first").action(exits(runVary));
command("ladder <file>", "builds rungs from one exchange upwards, one change each, in even steps of load")
  .option("--rungs <n>", "how many rungs", wholeNumber, LADDER_DEFAULTS.rungs)
  .option("--goal <word>", `where it leads: ${Object.keys(GOALS).join(", ")}`, "half")
  .option(...seed, LADDER_DEFAULTS.seed)
  .action(exits(runLadder));
command("bridge <first> <second>", "finds the shortest way from the end of one drill to the start of another").action(
  exits(runBridge),
);
command("flow [file]", "finds cycles over chosen moves that close, for the people in the file's header")
  .requiredOption("--moves <list>", 'moves with commas between: "forehand high, backhand low"', moveList)
  .option("--counts <n>", "counts of a cycle; as many as there are moves where nothing is said", wholeNumber)
  .option(...seed, FLOW_DEFAULTS.seed)
  .action(exits(runFlow));
command("calls <file>", "makes a round of calls, fair and without a pattern")
  .option("--count <n>", "how many calls", wholeNumber, CALL_DEFAULTS.count)
  .option("--choice <n>", "which choice of the drill is called", wholeNumber, 1)
  .option(...seed, CALL_DEFAULTS.seed)
  .action(exits(runCalls));
command("plan <drills...>", "plans an evening: the ladder of one drill, or several drills, for the people of a table")
  .requiredOption("--people <csv>", "a table of the people who are here")
  .option("--minutes <n>", "length of the class", wholeNumber, 90)
  .action(exits(runPlan));
program.command("moves").description("checks the shipped moves against their schema").action(exits(runMoves));

try {
  program.parse();
} catch (error) {
  // Commander has said what is wrong; help that was asked for is no fault.
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : CANNOT;
  else if (error instanceof CannotRun) {
    console.error(`vicissor: ${error.message}`);
    process.exitCode = CANNOT;
  } else throw error;
}
