import { checkFor } from "#core/policy/judge.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { scoreStaves } from "../drawing/score-layout.ts";
import { PAGE } from "./drill-card-layout.ts";
import { smallCards, type SmallCard } from "./small-cards.ts";

const staves = (rows: number) =>
  scoreStaves(scoreView(checkFor(parse(Array<string>(rows).fill("A jab -> B slip out, cross").join("\n")))));
const card = (more: Partial<SmallCard> = {}): SmallCard => ({
  title: "A Edda  B Odo",
  place: "Round 1 of 3: The jab",
  facts: ["Left lead in front"],
  staves: staves(2),
  words: [],
  ...more,
});
const HALF = PAGE.height / 2;

test.each([
  [0, 0],
  [1, 1],
  [2, 1],
  [5, 3],
])("%i cards take %i pages", (cards, pages) => {
  expect(smallCards(Array<SmallCard>(cards).fill(card()))).toHaveLength(pages);
});
test("two cards are told apart by a line in the middle; one alone has none", () => {
  expect(smallCards([card(), card()])[0]!.rules).toEqual([HALF]);
  expect(smallCards([card()])[0]!.rules).toEqual([]);
});
test.each([1, 2, 4, 6])("a drill of %i rows stays within its own half", (rows) => {
  const [page] = smallCards([card({ staves: staves(rows) }), card({ staves: staves(rows) })]);
  const tops = [0, HALF];
  tops.forEach((top) => {
    const own = page!.staves.filter((s) => s.y >= top && s.y < top + HALF);
    expect(own).toHaveLength(rows);
    for (const { stave, x, y, scale } of own) {
      expect(y + stave.height * scale).toBeLessThanOrEqual(top + HALF);
      expect(x + stave.width * scale).toBeLessThanOrEqual(PAGE.width - PAGE.margin + 0.01);
    }
  });
  for (const half of tops)
    expect(page!.texts.filter((t) => t.y > half && t.y <= half + HALF).length).toBeGreaterThan(4);
});
test("a drill that needs more than half a page has a page of its own, whole", () => {
  const pages = smallCards([card(), card({ staves: staves(12) }), card(), card()]);
  expect(pages.map((one) => one.staves.length)).toEqual([2, 12, 4]);
  expect(pages[1]!.rules).toEqual([]);
  expect(pages[1]!.texts.map((t) => t.text).join()).not.toMatch(/more row/);
});
test("what does not fit is counted, not squeezed in", () => {
  const [page] = smallCards([card({ staves: staves(60) })]);
  const drawn = page!.staves.length;
  expect(drawn).toBeGreaterThan(4);
  expect(page!.texts.map((t) => t.text)).toContain(`${60 - drawn} more rows: see the drill’s own card.`);
});
test("every card says stop and the usual cautions", () => {
  const [page] = smallCards([card(), card()]);
  expect(page!.texts.filter((t) => t.text.includes("anybody may say it"))).toHaveLength(2);
  expect(page!.texts.filter((t) => t.text.includes("No contact to eyes"))).toHaveLength(2);
});
test("three names in a row are smaller than two", () => {
  const size = (title: string) => smallCards([card({ title })])[0]!.texts.find((t) => t.face === "heading")!.size;
  expect(size("A Corvin Askelund  B Hamo Reikland  C Anselm Bredevoort")).toBeLessThan(size("A Edda  B Odo"));
});
test("words fill columns from the top, as large as they fit, inside the page", () => {
  const of = (count: number) =>
    smallCards([card({ staves: [], words: Array.from({ length: count }, (_, i) => `0:${10 + i}  lead hook`) })])[0]!;
  const few = of(8).texts.filter((t) => t.text.includes("lead hook"));
  const many = of(60).texts.filter((t) => t.text.includes("lead hook"));
  expect([few.length, many.length]).toEqual([8, 60]);
  expect(few[0]!.size).toBeGreaterThan(many[0]!.size);
  for (const { x, y, size, text } of many) {
    expect(y).toBeLessThan(HALF);
    expect(x + text.length * size * 0.5).toBeLessThanOrEqual(PAGE.width - PAGE.margin + 1);
  }
  // Read downwards: the second word stands under the first.
  expect(many[1]!.x).toBe(many[0]!.x);
  expect(many[1]!.y).toBeGreaterThan(many[0]!.y);
});
