/** What coaches write, and the rows that are wanted of it: written before the reader was. Common practice, no source. */
import { readFileSync } from "node:fs";
import { defaultSchool } from "../policy/school.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { readPlain } from "./read-plain.ts";

const school = defaultSchool();
const inOneLayout = (row: string): string => format(parse(row)).trim();

interface Wanted {
  readonly source: string;
  readonly row: string;
  readonly isAsked: boolean;
}
/** `source | row`, `source | row ? other row` where it is asked, `source | row ~ kept words`. */
const CORPUS: readonly Wanted[] = readFileSync(new URL("./corpus.txt", import.meta.url), "utf8")
  .split("\n")
  .filter((line) => line.includes(" | ") && !line.startsWith("#"))
  .map((line) => {
    const at = line.indexOf(" | ");
    const wanted = line.slice(at + 3);
    return { source: line.slice(0, at), row: wanted.split(/ [?~] /)[0]!, isAsked: wanted.includes(" ? ") };
  });

const judged = CORPUS.map(({ source, row, isAsked }) => {
  const [line] = readPlain(source, [], school);
  const { proposals, question, kept } = line!;
  const right = proposals[0]?.text === inOneLayout(row);
  const asked = isAsked && question !== null && question.choices.includes(inOneLayout(row));
  return { source, wrong: !right && !asked, unmarked: !right && !asked && question === null && kept.length === 0 };
});
const sourcesOf = (key: "wrong" | "unmarked") => judged.filter((one) => one[key]).map(({ source }) => source);

test("there are enough lines of enough arts", () => {
  expect(CORPUS.length).toBeGreaterThanOrEqual(250);
});
test("the lines that come out otherwise are known, and few", () => {
  expect(sourcesOf("wrong")).toEqual([
    // The saying means a slip with the cross: the words that were typed, and a row of their own.
    "counter the jab with a cross over the top",
    // `jodan` is kept as the height that it is, where the row wanted says `to head`.
    "oi-zuki jodan; age-uke; gyaku-zuki",
    // A sharp pull may answer the punch, or come before one of its own.
    "jut sao, punch",
    // Two layers at once, where the row wanted has them one after the other.
    "forehand high, B passes and checks the hand",
    // The name is kept as it was typed.
    "snap down, posture up",
  ]);
  expect(sourcesOf("unmarked").length).toBeLessThanOrEqual(5);
});
