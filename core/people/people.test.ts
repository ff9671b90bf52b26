/** People as rows of a table, with the units that clubs write. */
import fc from "fast-check";
import Papa from "papaparse";
import { isFamily, levelIn, limitsOn, type Member } from "./person.ts";
import { peopleCells } from "./member-columns.ts";
import { MOST_ROWS, readPeople, type Cells, guessColumns, readAs } from "./table.ts";

const one = (cells: Cells, known: string[] = []) => readPeople([{ name: "Ada Quill", ...cells }], known)[0]!;

describe("units", () => {
  // Inch 2.54 cm, pound 0.45359237 kg: exact by the international yard and pound agreement of 1959.
  test.each([
    ["178", 178],
    ["178 cm", 178],
    ["1,78", 178],
    ["1.78 m", 178],
    ["70 in", 177.8],
    ["5 ft 10", 177.8],
    ["5'10\"", 177.8],
  ])("a height of %s is %d cm", (text, cm) => {
    expect(one({ height: text }).person?.height_cm).toBeCloseTo(cm, 1);
  });
  test.each([
    ["72", 72],
    ["72,5 kg", 72.5],
    ["160 lb", 72.6],
    ["160 lbs", 72.6],
  ])("a mass of %s is %d kg", (text, kg) => {
    expect(one({ weight: text }).person?.mass_kg).toBeCloseTo(kg, 1);
  });
  test("a column may carry the unit", () => {
    expect(one({ "height (in)": "70", "weight (lb)": "150" }).person).toMatchObject({ height_cm: 177.8, mass_kg: 68 });
  });
});

test.each([
  [{ height: "70" }, /no height in cm; write 70 in if inches/],
  [{ height: "tall" }, /“tall” is no length; write 178/],
  [{ height: "1,780.5" }, /is no length/],
  [{ height: "300" }, /height must be 90 to 230 cm/],
  [{ mass: "heavy" }, /“heavy” is no mass/],
  [{ lead: "up" }, /lead: “up” must be left or right/],
  [{ minor: "maybe" }, /minor: “maybe” must be yes or no/],
  [{ "level flow": "9" }, /level flow: “9” must be 1 to 5/],
  [{ name: " " }, /a name is needed/],
  [{ "limits until": "soon" }, /a day is written/],
] as [Cells, RegExp][])("%j is a fault that says how to mend it", (cells, words) => {
  const row = one(cells);
  expect(row.person).toBeNull();
  expect(row.faults.join("; ")).toMatch(words);
  expect(row.row).toBe(2);
});

test("who is known by name, or stands in the file before, is a double", () => {
  const rows = readPeople([{ name: "Ada Quill" }, { name: "Bo Lind" }, { name: "ada quill " }], ["Bo Lind"]);
  expect(rows.map((r) => r.duplicate)).toEqual([false, true, true]);
});
test("5,000 rows are read and no more", () => {
  const many = Array.from({ length: MOST_ROWS + 10 }, (_, i) => ({ name: `N ${i}`, height: "170" }));
  expect(readPeople(many, [])).toHaveLength(MOST_ROWS);
});
test("what is written is read back the same, through a file of commas", () => {
  const words = fc.stringMatching(/^[A-Za-z][A-Za-z ,"']{0,20}[a-z]$/);
  const member = fc.record({
    name: words,
    height_cm: fc.option(fc.integer({ min: 90, max: 230 })),
    reach_cm: fc.option(fc.integer({ min: 80, max: 240 })),
    mass_kg: fc.option(fc.integer({ min: 15, max: 220 })),
    lead: fc.constantFrom("left", "right"),
    hand: fc.constantFrom("left", "right"),
    age: fc.constantFrom(
      { minor: false, ages: null, born: null },
      { minor: null, ages: null, born: null },
      { minor: null, ages: null, born: "2012-05-31" },
      { minor: true, ages: null, born: null },
      { minor: true, ages: "7-9" as const, born: null },
    ),
    limits: fc.uniqueArray(fc.constantFrom("no falls", "right shoulder", "no head contact"), { maxLength: 3 }),
  });
  fc.assert(
    fc.property(member, ({ age, ...m }) => {
      const person = {
        id: "x",
        levels: { flow: 2 },
        limits_until: "2026-12-24",
        agreed: "",
        falls: true,
        ...age,
        ...m,
      } as Member;
      const csv = Papa.unparse(peopleCells([person]));
      const { data } = Papa.parse<Cells>(csv, { header: true });
      const { id, ...rest } = person;
      expect(id).toBe("x");
      expect(readPeople(data, [])[0]!.person).toEqual({ ...rest, name: person.name.trim() });
    }),
    { numRuns: 60 },
  );
});

test.each([
  ["beginner", 1],
  ["Intermediate", 3],
  ["advanced", 4],
  ["instructor", 5],
])("a level may be a word: %s is %i", (word, level) => {
  expect(readPeople([{ name: "Ida", experience: word }], [])[0]!.person!.levels).toEqual({ feeder: level });
});

test("a limit holds until its day; a level that was never given is the middle", () => {
  const m = { limits: ["no falls"], limits_until: "2026-11-30" };
  expect(limitsOn(m, "2026-11-30")).toEqual(["no falls"]);
  expect(limitsOn(m, "2026-12-01")).toEqual([]);
  expect(levelIn({ levels: { flow: 5 } }, "flow")).toBe(5);
  expect(levelIn({ levels: { flow: 5 } }, "feeder")).toBe(3);
  expect([isFamily("flow"), isFamily("solo")]).toEqual([true, false]);
});

describe("columns of a file", () => {
  const FIELDS = ["Vorname", "Nachname", "Größe", "Gewicht", "Gürtel", "Weight (lb)"];
  test("are guessed by their names in several languages; what says nothing is left to choose", () => {
    expect(guessColumns(FIELDS)).toEqual({
      Vorname: "name",
      Nachname: "name",
      Größe: "height cm",
      Gewicht: "mass kg",
      Gürtel: null,
      "Weight (lb)": "mass lb",
    });
  });
  test("are read as what they were said to be; first and last name are one", () => {
    const cells = { Vorname: "Ida", Nachname: "Weiß", Größe: "1,68 m", Gürtel: "3", Führhand: "rechts" };
    const columns = { ...guessColumns(Object.keys(cells)), Gürtel: "level feeder" };
    const [row] = readPeople([readAs(cells, columns)], []);
    expect(row!.faults).toEqual([]);
    expect(row!.person).toMatchObject({ name: "Ida Weiß", height_cm: 168, lead: "right", levels: { feeder: 3 } });
    expect(readAs(cells, { Vorname: "name", Nachname: null })).toEqual({ name: "Ida" });
  });
  test("yes and no, left and right, as people write them", () => {
    const read = (cells: Record<string, string>) => readPeople([{ name: "Ida", ...cells }], [])[0]!.person;
    expect(read({ minor: "Ja" })!.minor).toBe(true);
    expect(read({ minor: "non" })!.minor).toBe(false);
    expect(read({ lead: "Rechts", hand: "gauche" })).toMatchObject({ lead: "right", hand: "left" });
  });
});
