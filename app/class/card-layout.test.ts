import { cardHeight, cardSize, SIZES } from "./card-layout.ts";

const pair = (n: number) => ({
  names: `A Person ${n}  ·  B Partner ${n}`,
  lines: ["1.17 m apart", "The cross falls 4 cm short: nothing brings it nearer."],
});
const version = (rows: number) =>
  Array.from({ length: rows }, () => "A jab, cross -> B slap parry, slip out, lead hook -> A cover");
const content = (pairs: number, versions: number, rows: number) => ({
  pairs: Array.from({ length: pairs }, (_, i) => pair(i)),
  versions: Array.from({ length: versions }, () => version(rows)),
});

test("a small class gets large letters, a full one smaller ones", () => {
  expect(cardSize(content(3, 1, 4))).toBe(SIZES[0]);
  expect(cardSize(content(12, 4, 8))).toBeLessThan(cardSize(content(6, 2, 6)));
});
test("the height never falls when something is added", () => {
  for (const size of SIZES) {
    expect(cardHeight(content(6, 2, 6), size)).toBeGreaterThan(cardHeight(content(6, 2, 5), size));
    expect(cardHeight(content(8, 2, 6), size)).toBeGreaterThan(cardHeight(content(6, 2, 6), size));
  }
});
test("what is chosen fits an A4 page", () => {
  for (const c of [content(1, 1, 1), content(7, 3, 8), content(10, 3, 10)])
    expect(cardHeight(c, cardSize(c))).toBeLessThanOrEqual(273);
});
