/** The sheet of an evening: layout as numbers, and as the server writes it. */
import { shortNames } from "#core/people/short-names.ts";
import { PAGE, type CardPage } from "../paper/drill-card-layout.ts";
import { sheetBlocks, sheetPage, sheetRungs } from "./sheet-layout.ts";
import { TEXT_SIZES } from "../paper/text-page.ts";
import { SheetScreen } from "./sheet-screen.tsx";
import { NAMES, page } from "./testing.ts";
import { text } from "../ui/testing.tsx";

describe("the sheet", () => {
  test("first names where they are enough, a letter more where they are not", () => {
    const short = shortNames(Object.values(NAMES));
    expect(Object.values(NAMES).map(short)).toEqual(["Edda V.", "Odo", "Liv", "Edda A."]);
  });
  test("blocks have their minutes from the start, and a pair’s own rung", () => {
    const blocks = sheetBlocks(page.kept!.plan, (id) => id);
    expect(blocks.map((b) => b.from)).toEqual([0, 10]);
    expect(blocks[1]!.rounds.map((r) => r.pairs)).toEqual([
      ["p1 – p2", "p3 – p4 (rung 2)"],
      ["p1 – p3", "p2 – p4"],
    ]);
  });
  test("only rungs that are worked on are written out, in words", () => {
    const written = sheetRungs(page.kept!.plan, page.rungs, page.words);
    expect(written.map(({ number, words }) => [number, words.play.map((row) => row.text)])).toEqual([
      [1, ["A: jab. B: catch."]],
      [2, ["A: jab. B: catch, then cross."]],
    ]);
  });
  const sheet = (blocks: ReturnType<typeof sheetBlocks>, rows = 2) =>
    sheetPage({
      title: "Tonight",
      under: "Ropewalk, 25 Nov, 60 minutes",
      check: "Nails short.",
      lines: [],
      blocks,
      rungs: [1, 2, 3].map((number) => ({
        number,
        title: "The jab",
        words: {
          ...page.words[0]!,
          play: Array.from({ length: rows }, () => ({ text: "A: jab. B: catch.", depth: 0 })),
        },
      })),
      notes: ["12 sticks are needed, 6 are there."],
      needs: "Gear at hand: 6 sticks.",
      cautions: ["“Stop” ends everything.", "Slow before fast."],
    });
  const largest = (made: CardPage) => Math.max(...made.texts.filter((t) => t.face === "bold").map((t) => t.size));
  test.each([1, 8, 20, 26])("%i blocks stay within one page, and no two lines stand on each other", (count) => {
    const [, block] = sheetBlocks(page.kept!.plan, (id) => id);
    const made = sheet(Array.from({ length: count }, () => block!));
    for (const { x, y } of made.texts) {
      expect(y).toBeLessThanOrEqual(PAGE.height - PAGE.margin);
      expect(x).toBeGreaterThanOrEqual(PAGE.margin);
    }
    const places = made.texts.map((t) => `${t.x.toFixed(1)},${t.y.toFixed(1)}`);
    expect(new Set(places).size).toBe(places.length);
  });
  test("more on the sheet never makes larger letters; little is written large", () => {
    const [, block] = sheetBlocks(page.kept!.plan, (id) => id);
    const sizes = [1, 8, 20, 26].map((count) => largest(sheet(Array.from({ length: count }, () => block!))));
    expect([...sizes].sort((one, two) => two - one)).toEqual(sizes);
    expect(sizes[0]).toBe(TEXT_SIZES[0]);
    expect(sizes[3]).toBeLessThan(sizes[0]!);
    expect(largest(sheet([block!], 40))).toBeLessThan(largest(sheet([block!], 2)));
  });
  test("the page has timetable, pairs, texts, what to look at, gear there and the stop word", () => {
    const sheet = text(<SheetScreen page={page} school="Ropewalk" />);
    expect(sheet).toMatch(/0' Warm-up, 10 min/);
    expect(sheet).toMatch(/Edda\s+V\.\s+–\s+Odo/);
    expect(sheet).toMatch(/A: jab. B: catch. .*Palm to the cheek. Elbow stays in. Watch: Reaches for it/);
    expect(sheet).toMatch(/12 sticks are needed/);
    expect(sheet).toMatch(/Gear at hand: 6 sticks/);
    expect(sheet).not.toMatch(/0 focus mitts/);
    expect(sheet).toMatch(/“Stop” ends everything/);
  });
  test("a second page hands the evening over: in words, with cues, and what to do in half the time", () => {
    const sheet = text(<SheetScreen page={page} school="Ropewalk" />);
    const page2 = sheet.slice(sheet.indexOf("To hand over"));
    expect(page2).toMatch(
      /Say: Palm to the cheek. Elbow stays in. Watch: Reaches for it. Who feeds: Stop a fist short. Go on when/,
    );
    expect(page2).toMatch(/If you have only half the time: Warm-up, 5 min; /);
    expect(page2).toMatch(/“Stop” ends everything/);
  });
  test("without a plan it says what to do", () => {
    expect(text(<SheetScreen page={{ ...page, kept: null }} school="x" />)).toMatch(/no plan yet/);
  });
});
