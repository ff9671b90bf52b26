import { checkFor } from "#core/policy/judge.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { scoreStaves } from "../drawing/score-layout.ts";
import { CAUTIONS, playRows } from "#core/class/cautions.ts";
import { drillCard, PAGE, wrap } from "./drill-card-layout.ts";

const card = (text: string) =>
  drillCard({
    title: "Quay",
    school: "Ropewalk",
    facts: ["feeder, 50% of full speed"],
    rows: playRows(text),
    staves: scoreStaves(scoreView(checkFor(parse(text)))),
    cautions: CAUTIONS,
  });
const ROW = "A jab -> B slip out, cross";

test.each([1, 4, 12])("%i rows stand on one A4 page, inside its margins, none over another", (rows) => {
  const pages = card(Array<string>(rows).fill(ROW).join("\n"));
  expect(pages).toHaveLength(1);
  const [page] = pages;
  expect(page!.staves).toHaveLength(rows);
  for (const { stave, x, y, scale } of page!.staves) {
    expect(x).toBeGreaterThanOrEqual(PAGE.margin);
    expect(x + stave.width * scale).toBeLessThanOrEqual(PAGE.width - PAGE.margin + 0.01);
    expect(y + stave.height * scale).toBeLessThanOrEqual(Math.max(...page!.rules) + 0.01);
  }
  const places = page!.staves.map((s) => `${s.x.toFixed(1)},${s.y.toFixed(1)}`);
  expect(new Set(places).size).toBe(rows);
});
test("few rows are written large, many small; a long drill goes on over more pages, each with the cautions", () => {
  const sizeOf = (rows: number) =>
    Math.max(
      ...card(Array<string>(rows).fill(ROW).join("\n"))[0]!
        .texts.filter((t) => t.face === "mono")
        .map((t) => t.size),
    );
  expect(sizeOf(3)).toBeGreaterThan(sizeOf(30));
  const pages = card(Array<string>(200).fill(ROW).join("\n"));
  expect(pages.length).toBeGreaterThan(2);
  expect(pages.reduce((n, p) => n + p.staves.length, 0)).toBe(200);
  for (const page of pages) expect(page.texts.some((t) => t.text.includes("anybody may say it"))).toBe(true);
});
test("long texts are broken at blanks; a continued row of a score is set in", () => {
  const lines = wrap("A jab, cross, lead hook -> B slap parry, slip out, cover, cross, lead hook", 60, 5, "mono");
  expect(lines.length).toBeGreaterThan(2);
  for (const line of lines) expect(line.length * 5 * 0.6).toBeLessThanOrEqual(66);
  expect(lines[1]).toMatch(/^ {3}\S/);
  // A row inside a block is set in by its blanks, and broken so much earlier.
  for (const line of wrap(`    ${"jab ".repeat(20)}`, 60, 5, "mono"))
    expect(line.length * 5 * 0.6).toBeLessThanOrEqual(66);
  expect(wrap("unbreakable".repeat(9), 20, 5, "text")).toHaveLength(1);
});
test("header rows that the floor needs stay, the others go", () => {
  expect(playRows("title: X\ntempo: 50%\nA: wears mitts\n# note\n\nA jab -> B slip out")).toEqual([
    "A: wears mitts",
    "A jab -> B slip out",
  ]);
});
