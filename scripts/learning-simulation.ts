/** Prints the table of `docs/learning.md`, or with `--draw` its drawing. */
import { drawing, outcomes, table } from "./learning-terms.ts";

console.log(process.argv[2] === "--draw" ? drawing(outcomes()) : table(outcomes()));
