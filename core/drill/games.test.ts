/** Games as an instructor writes them, in games.txt: verdict and what is said of each; fairness against a play-out. */
import { readFileSync } from "node:fs";
import { check } from "./check.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";

interface Written {
  readonly name: string;
  readonly text: string;
  readonly verdict: string;
  readonly says: readonly string[];
}

/** Games with a row over each: the verdict, what must be said, header rows, why. */
function writtenGames(): readonly Written[] {
  return readFileSync("core/drill/games.txt", "utf8")
    .split(/^= /m)
    .slice(1)
    .map((part) => {
      const [head, ...rows] = part.split("\n");
      const cells = head!.split("|").map((cell) => cell.trim());
      const [verdict, ...codes] = cells[0]!.split(/\s+/);
      const headers = cells
        .slice(1, -1)
        .join("\n")
        .split(/\s*;\s*(?=[A-Z]:)/)
        .join("\n");
      const name = /^game (.*):/m.exec(part)![1]!;
      return { name, text: `${headers}\n\n${rows.join("\n")}`, verdict: verdict!, says: codes.map((c) => c.slice(1)) };
    });
}

const games = writtenGames();

test.each(games.map((game) => [game.name, game] as const))("%s", (_, { text, verdict, says }) => {
  const made = check(parse(text));
  const said = made.findings.filter(({ severity }) => severity !== "note");
  expect([made.verdict, ...(made.verdict === verdict ? [] : said.map(({ message }) => message))]).toEqual([verdict]);
  const codes = made.findings.flatMap(({ rule, params }) => (rule === "game" ? [params.code] : []));
  for (const code of says) expect(codes).toContain(code);
  if (verdict === "sound") expect(codes).toEqual([]);
  expect(format(parse(format(parse(text))))).toBe(format(parse(text)));
});
